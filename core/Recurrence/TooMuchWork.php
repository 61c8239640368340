<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use RuntimeException;

/** What was asked for is more than is worked out at once. */
final class TooMuchWork extends RuntimeException
{
    private function __construct(public readonly string $of)
    {
        parent::__construct("More {$of} than may be used at once.");
    }

    public static function ofSteps(): self
    {
        return new self('steps');
    }

    public static function ofMemory(): self
    {
        return new self('memory');
    }
}

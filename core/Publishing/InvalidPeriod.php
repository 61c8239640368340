<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

use InvalidArgumentException;

final class InvalidPeriod extends InvalidArgumentException
{
    public function __construct(public readonly int $weeksBack, public readonly int $weeksOn)
    {
        parent::__construct("Not so many weeks: {$weeksBack} back, {$weeksOn} on.");
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

use InvalidArgumentException;

final class InvalidSchoolYear extends InvalidArgumentException
{
    /** @param  ?int  $term  which of the terms is meant, from 0 */
    public function __construct(string $message, public readonly ?int $term = null)
    {
        parent::__construct($message);
    }
}

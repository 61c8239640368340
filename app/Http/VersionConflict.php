<?php

namespace App\Http;

use RuntimeException;

/** Somebody else changed a thing since it was read. */
final class VersionConflict extends RuntimeException
{
    /** @param  mixed  $current the thing as it is now, for the one who lost the race */
    public function __construct(public readonly mixed $current)
    {
        parent::__construct('The thing was changed by somebody else.');
    }
}

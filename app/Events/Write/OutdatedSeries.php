<?php

namespace App\Events\Write;

use App\Events\EventRecord;
use RuntimeException;

/** Somebody else changed a series since it was read. */
final class OutdatedSeries extends RuntimeException
{
    /** @param  non-empty-list<EventRecord>  $heads  as they are now */
    public function __construct(public readonly array $heads)
    {
        parent::__construct('A series was changed by somebody else.');
    }
}

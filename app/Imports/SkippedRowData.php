<?php

namespace App\Imports;

/** A row of a table that is no event. */
final readonly class SkippedRowData
{
    /** @param  string  $reason  In words */
    public function __construct(public int $line, public string $said, public string $reason)
    {
    }
}

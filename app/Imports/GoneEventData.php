<?php

namespace App\Imports;

/** An event that came in by an earlier version of a document, and is not in it any more. */
final readonly class GoneEventData
{
    public function __construct(public string $title, public string $start, public bool $allDay)
    {
    }
}

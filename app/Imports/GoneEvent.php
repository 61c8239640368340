<?php

namespace App\Imports;

/** An event that came in by an earlier version of a document, and is not in it any more. */
final readonly class GoneEvent
{
    /** @param  string  $start  on its own wall */
    public function __construct(public int $calendarId, public string $uid, public string $title, public string $start, public bool $allDay)
    {
    }
}

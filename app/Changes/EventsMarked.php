<?php

namespace App\Changes;

/** Raised within the transaction that changes events of a calendar. */
final readonly class EventsMarked
{
    public function __construct(public int $calendarId, public MarkData $mark)
    {
    }
}

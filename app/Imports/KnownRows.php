<?php

namespace App\Imports;

use App\Calendars\Calendar;
use PinnedRota\Core\Import\KnownSeries;

/**
 * What a calendar has of documents: events of ours, which remember in the list of imports what their rows said last. So who takes part in them
 * is asked as in any other, which is not so of what comes from elsewhere.
 */
final class KnownRows implements KnownSeries
{
    private readonly KnownEvents $events;

    /** @param  ?list<string>  $among  UIDs of those that may be taken away; null: all of it */
    public function __construct(private readonly Calendar $calendar, ?array $among = null)
    {
        $this->events = new KnownEvents($calendar, $among);
    }

    public function fingerprints(array $uids): array
    {
        $there = $this->events->fingerprints($uids);
        $lines = $there === [] ? [] : ImportLines::standing($this->calendar->id)->whereIn('uid', $uids)->orderBy('import_id')->pluck('fingerprint', 'uid')->all();

        return array_replace($there, array_intersect_key($lines, $there));
    }

    public function uids(): iterable
    {
        return $this->events->uids();
    }
}

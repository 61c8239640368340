<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Organisation\Organisation;
use App\Overlays\Closures;
use App\Overlays\SheetQuery;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** Rows on days that are closed: said before they are brought in. */
final class ClosedRows
{
    /** Days that are looked at at most, from the first of a document on. */
    private const MOST_DAYS = 800;

    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly Closures $closures,
        private readonly Organisation $organisation,
    ) {
    }

    /**
     * @param  array<int, ExtractedEvent>  $rows  those that are brought in
     * @param  array<int, Calendar>  $calendars  on which each is to go
     * @return array<int, ExtractedEvent>
     */
    public function held(array $rows, array $calendars, Zone $zone): array
    {
        $closures = $this->organisation->settings()->closures;
        $days = array_map(static fn (ExtractedEvent $each): int => $each->start->day(), $rows);
        if ($closures === null || $days === []) {
            return $rows;
        }
        $from = min($days);
        $to = min(max($days) + 1, $from + self::MOST_DAYS);
        $closed = $this->closures->with([], $this->viewer->perspective(), new SheetQuery(LocalDateTime::midnight($from), LocalDateTime::midnight($to), $zone));
        foreach ($rows as $row => $each) {
            $why = $closed[$each->start->day()] ?? null;
            // What closes a day is on it.
            if ($why !== null && $calendars[$row]->id !== $closures && mb_strtolower($why) !== mb_strtolower($each->title)) {
                $rows[$row] = $each->doubted(WhenWords::day($each->start->day()).' is closed'.($why === Closures::UNTOLD ? '.' : ": {$why}."));
            }
        }

        return $rows;
    }
}

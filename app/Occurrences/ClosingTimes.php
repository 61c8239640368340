<?php

namespace App\Occurrences;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** When a calendar closes days, whoever looks: no more than that is told of its events. */
final class ClosingTimes
{
    /** @return array<int, true> by day number, as a clock in the zone counts days */
    public static function days(int $calendarId, Zone $zone): array
    {
        $rows = DB::table('categories as c')->where('c.closes_day', true)->join('event_category as k', 'k.category_id', '=', 'c.id')->join('occurrences as o', 'o.event_id', '=', 'k.event_id')
            ->join('events as e', 'e.id', '=', 'o.event_id')->where('o.calendar_id', $calendarId)->where('e.private', false)
            ->selectRaw(OccurrenceQuery::TIMES.', e.time_kind AS kind')->get();
        $closed = [];
        foreach ($rows as $row) {
            [$first, $last] = IndexedOccurrence::daysOf(TimeKind::from($row->kind), $row->starts, $row->ends, $zone);
            for ($day = $first; $day <= $last; $day++) {
                $closed[$day] = true;
            }
        }

        return $closed;
    }

    /**
     * Whether some of these categories close days.
     *
     * @param  list<int>  $categoryIds
     */
    public static function closes(array $categoryIds): bool
    {
        return $categoryIds !== [] && DB::table('categories')->whereIntegerInRaw('id', $categoryIds)->where('closes_day', true)->exists();
    }
}

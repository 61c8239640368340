<?php

namespace App\Imports;

use App\Calendars\Calendar;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\ExtractedEvent;

/**
 * Which event each row of a document is: by the columns that tell its rows apart, where some were chosen, else by its title and the
 * how-manieth of that title it is. What came in by its title before columns were chosen goes on by those from then on.
 */
final class RecognisedRows
{
    private const AT_ONCE = 500;

    /**
     * @param  array<int, ExtractedEvent>  $rows
     * @param  array<int, Calendar>  $calendars  on which each goes, by row
     * @return array<int, string> UIDs by row
     */
    public function uids(array $rows, array $calendars): array
    {
        $titles = array_map(DocumentEvents::uid(...), DocumentEvents::titles($rows));
        $keys = [];
        foreach (DocumentEvents::keys($rows) as $row => $key) {
            $keys[$calendars[$row]->id][$row] = $key;
        }
        $uids = $titles;
        foreach ($keys as $calendarId => $some) {
            $uids = array_replace($uids, $this->onCalendar($calendarId, $some, array_intersect_key($titles, $some)));
        }

        return $keys === [] ? $uids : self::apart($uids, array_replace(...array_values($keys)));
    }

    /**
     * What is called as an event once was that is known by its key now is another.
     *
     * @param  array<int, string>  $uids  by row
     * @param  array<int, string>  $keys  of the rows that have one
     * @return array<int, string>
     */
    private static function apart(array $uids, array $keys): array
    {
        $taken = array_flip(array_intersect_key($uids, $keys));
        foreach (array_diff_key($uids, $keys) as $row => $uid) {
            while (isset($taken[$uid])) {
                $uid = DocumentEvents::uid(hash('sha256', $uid));
            }
            $uids[$row] = $uid;
            $taken[$uid] = $row;
        }

        return $uids;
    }

    /**
     * @param  array<int, string>  $keys  by row
     * @param  array<int, string>  $titles  UIDs by the titles of the same rows
     * @return array<int, string> UIDs by row
     */
    private function onCalendar(int $calendarId, array $keys, array $titles): array
    {
        $byKey = $this->lines($calendarId, 'row_key', $keys, 'uid');
        $keyOf = $this->lines($calendarId, 'uid', $titles, 'row_key');
        $living = $this->living($calendarId, [...array_values($byKey), ...array_values($titles)]);

        $uids = [];
        foreach ($keys as $row => $key) {
            $known = $byKey[$key] ?? null;
            $title = $titles[$row];
            $uids[$row] = match (true) {
                $known !== null && isset($living[$known]) => $known,
                isset($living[$title]) && array_key_exists($title, $keyOf) && $keyOf[$title] === null => $title,
                default => DocumentEvents::uid($key),
            };
        }

        return $uids;
    }

    /**
     * What was said last, and was not taken back.
     *
     * @param  'row_key'|'uid'  $by
     * @param  array<int, string>  $among
     * @param  'row_key'|'uid'  $value
     * @return array<string, ?string>
     */
    private function lines(int $calendarId, string $by, array $among, string $value): array
    {
        $found = [];
        foreach (array_chunk($among, self::AT_ONCE) as $some) {
            $found += ImportLines::standing($calendarId)->whereIn($by, $some)->orderBy('import_id')->pluck($value, $by)->all();
        }

        return $found;
    }

    /**
     * @param  list<string>  $uids
     * @return array<string, true> those that are there
     */
    private function living(int $calendarId, array $uids): array
    {
        $found = [];
        foreach (array_chunk(array_values(array_unique($uids)), self::AT_ONCE) as $some) {
            $there = DB::table('events')->where('calendar_id', $calendarId)->whereNull('series_id')->whereNull('deleted_at')->whereIn('uid', $some)->pluck('uid');
            $found += array_fill_keys($there->all(), true);
        }

        return $found;
    }
}

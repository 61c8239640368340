<?php

namespace App\Changes;

use App\Events\Write\EventsChanged;
use Illuminate\Support\Facades\DB;

/**
 * Writes down which series of a calendar changed last, and by which revision of it: what somebody who had it at an earlier
 * revision reads again. Of a series the last change is kept; of one that is gone, as long as it could be brought back.
 */
final class SyncLog
{
    private const AT_ONCE = 500;

    public function handle(EventsChanged $event): void
    {
        $rows = $changes = [];
        foreach ($event->series as $change) {
            $now = $change->after?->calendarIds() ?? [];
            foreach ($change->calendarIds() as $calendarId) {
                $changes[$calendarId][] = $change;
                $rows[$calendarId][] = ['series_id' => $change->seriesId, 'uid' => ($change->after ?? $change->before)?->uid() ?? '', 'deleted' => ! in_array($calendarId, $now, true)];
            }
        }
        // Everybody in the same order, so that no two wait for each other.
        ksort($rows);
        foreach ($rows as $calendarId => $some) {
            $revision = Change::of($calendarId, count($some), Days::touchedBy($changes[$calendarId])) - count($some);
            $some = array_map(static fn (array $row, int $index): array => $row + ['calendar_id' => $calendarId, 'revision' => $revision + $index + 1, 'changed_at' => now()], $some, array_keys($some));
            foreach (array_chunk($some, self::AT_ONCE) as $chunk) {
                DB::table('series_changes')->upsert($chunk, ['calendar_id', 'series_id'], ['uid', 'revision', 'deleted', 'changed_at']);
            }
        }
    }

    /**
     * What changed on a calendar after a revision.
     *
     * @return list<array{series: int, uid: string, deleted: bool, revision: int}> in the order of the changes
     */
    public function since(int $calendarId, int $revision): array
    {
        return DB::table('series_changes')->where('calendar_id', $calendarId)->where('revision', '>', $revision)->orderBy('revision')->get()
            ->map(static fn (object $row): array => ['series' => $row->series_id, 'uid' => $row->uid, 'deleted' => (bool) $row->deleted, 'revision' => $row->revision])->values()->all();
    }
}

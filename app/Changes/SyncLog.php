<?php

namespace App\Changes;

use App\Calendars\Calendar;
use App\Events\Write\SeriesChanged;
use Illuminate\Support\Facades\DB;

/**
 * Writes down which series of a calendar changed last, and by which revision of it: what somebody who had it at an earlier
 * revision reads again. Of a series the last change is kept; of one that is gone, as long as it could be brought back.
 */
final class SyncLog
{
    public function handle(SeriesChanged $change): void
    {
        $now = $change->after?->calendarIds() ?? [];
        foreach ($change->calendarIds() as $calendarId) {
            Change::of($calendarId);
            DB::table('series_changes')->upsert([
                'calendar_id' => $calendarId, 'series_id' => $change->seriesId, 'uid' => ($change->after ?? $change->before)?->uid() ?? '',
                'revision' => Calendar::withTrashed()->whereKey($calendarId)->value('revision'), 'deleted' => ! in_array($calendarId, $now, true), 'changed_at' => now(),
            ], ['calendar_id', 'series_id'], ['uid', 'revision', 'deleted', 'changed_at']);
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

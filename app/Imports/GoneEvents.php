<?php

namespace App\Imports;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Time\TimeKind;

/**
 * Finds what is gone from a document. Which earlier imports it is a new version of is told by what is in both: nobody has to say so, and
 * it may be called otherwise by now.
 */
final class GoneEvents
{
    private const AT_ONCE = 500;

    /**
     * @param  array<int, array<string, bool>>  $there  by calendar and UID: all that is in the document; true what was there before
     * @return list<GoneEvent> by start
     */
    public function of(array $there): array
    {
        $imports = $this->earlier($there);
        if ($imports === []) {
            return [];
        }
        $byLine = static fn (Builder $line): Builder => $line->from('import_lines as l')
            ->whereColumn('l.calendar_id', 'e.calendar_id')->whereColumn('l.uid', 'e.uid')->whereIn('l.import_id', $imports);
        $rows = self::heads()->where(static fn (Builder $either): Builder => $either->whereIn('e.import_id', $imports)->orWhereExists($byLine))
            ->orderBy('e.starts_local')->get(['e.calendar_id', 'e.uid', 'e.title', 'e.starts_local', 'e.time_kind']);
        $gone = [];
        foreach ($rows as $row) {
            if (! isset($there[$row->calendar_id][$row->uid])) {
                $allDay = $row->time_kind === TimeKind::Date->value;
                $start = str_replace(' ', 'T', substr((string) $row->starts_local, 0, $allDay ? 10 : 16));
                $gone[] = new GoneEvent((int) $row->calendar_id, (string) $row->uid, (string) $row->title, $start, $allDay);
            }
        }

        return $gone;
    }

    /**
     * @param  array<int, array<string, bool>>  $there
     * @return list<int> imports that are done and not taken back, by which some of it came in
     */
    private function earlier(array $there): array
    {
        $imports = [];
        foreach ($there as $calendarId => $uids) {
            foreach (array_chunk(array_map(strval(...), array_keys(array_filter($uids))), self::AT_ONCE) as $some) {
                $byLine = DB::table('import_lines')->where('calendar_id', $calendarId)->whereIn('uid', $some)->distinct()->pluck('import_id');
                $byEvent = self::heads()->where('e.calendar_id', $calendarId)->whereIn('e.uid', $some)->whereNotNull('e.import_id')->distinct()->pluck('e.import_id');
                $imports += array_flip([...$byLine, ...$byEvent]);
            }
        }

        if ($imports === []) {
            return [];
        }

        return DB::table('imports')->leftJoin('operations', 'operations.id', '=', 'operation_id')
            ->whereIn('imports.id', array_keys($imports))->whereNotNull('applied_at')->whereNull('operations.undone_at')->pluck('imports.id')->all();
    }

    private static function heads(): Builder
    {
        return DB::table('events as e')->whereNull('e.series_id')->whereNull('e.deleted_at');
    }
}

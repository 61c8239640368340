<?php

namespace App\Imports;

use App\Events\EventRecord;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Documents\DocumentEvents;

/** From which line of which document an event is: what was brought in keeps its link to where it came from. */
final class ImportLines
{
    private const AT_ONCE = 500;

    private const SAID = 300;

    public function write(Import $import, ReadDocument $read, PlannedImport $planned): void
    {
        $rows = [];
        $keys = DocumentEvents::keys($read->rows);
        foreach (array_diff_key($read->events, $read->leftOut) as $row => $event) {
            $found = $read->rows[$row];
            $calendarId = $read->calendars[$row]->id;
            $rows[] = [
                'import_id' => $import->id,
                'calendar_id' => $calendarId,
                'uid' => $event->uid,
                'row_key' => $keys[$row] ?? null,
                'line' => $found->line,
                'said' => mb_strimwidth($found->said, 0, self::SAID, '…'),
                'fingerprint' => $planned->rows[$calendarId][$event->uid]->fingerprint,
            ];
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            DB::table('import_lines')->insert($some);
        }
    }

    /** What was brought into a calendar, line by line, and was not taken back. */
    public static function standing(int $calendarId): Builder
    {
        return DB::table('import_lines')->join('imports', 'imports.id', '=', 'import_id')->leftJoin('operations', 'operations.id', '=', 'operation_id')
            ->where('import_lines.calendar_id', $calendarId)->whereNull('operations.undone_at');
    }

    /** From where an event came last, and was not taken back; null where it was written here. */
    public function originOf(EventRecord $head): ?OriginData
    {
        $line = self::standing($head->calendar_id)->leftJoin('people', 'people.id', '=', 'imports.created_by')->where('uid', $head->uid)->orderByDesc('import_id')
            ->first(['file_name', 'line', 'said', 'applied_at', 'people.name as by']);
        if ($line === null) {
            return null;
        }

        return new OriginData($line->file_name, (int) $line->line, $line->said, now()->parse($line->applied_at)->toIso8601ZuluString(), (string) $line->by);
    }
}

<?php

namespace App\Events\Write;

use Illuminate\Support\Facades\DB;

/** Reads series as the database has them. */
final class SeriesStates
{
    /** What hangs on a series: the table, by what it is put in order, and whether its rows name the head alone. */
    private const TABLES = [
        'categories' => ['event_category', 'category_id'], 'participants' => ['event_participants', 'position'], 'attachments' => ['event_attachments', 'id'],
        'tasks' => ['event_tasks', 'id'], 'pins' => ['event_pins', 'calendar_id'],
    ];

    private const AT_ONCE = 500;

    public function of(int $seriesId): ?SeriesState
    {
        return $this->all([$seriesId])[$seriesId];
    }

    /**
     * @param  list<int>  $seriesIds
     * @return array<int, ?SeriesState> by head; null where there is no such series
     */
    public function all(array $seriesIds): array
    {
        $found = array_fill_keys($seriesIds, null);
        foreach (array_chunk($seriesIds, self::AT_ONCE) as $some) {
            $parts = $heads = [];
            $rows = DB::table('events')->whereIntegerInRaw('id', $some)->orderBy('id')->get()
                ->concat(DB::table('events')->whereIntegerInRaw('series_id', $some)->orderBy('id')->get());
            foreach ($rows as $row) {
                $head = $row->series_id ?? $row->id;
                $heads[$row->id] = $head;
                $parts[$head]['rows'][] = (array) $row;
            }
            foreach ($heads === [] ? [] : self::TABLES as $name => [$table, $order]) {
                foreach (DB::table($table)->whereIntegerInRaw('event_id', array_keys($heads))->orderBy('event_id')->orderBy($order)->get() as $row) {
                    $parts[$heads[$row->event_id]][$name][] = (array) $row;
                }
            }
            foreach ($parts as $head => $part) {
                $found[$head] = new SeriesState(...$part);
            }
        }

        return $found;
    }
}

<?php

namespace App\Events;

use App\Changes\Change;
use Illuminate\Support\Facades\DB;

/**
 * A series as the database has it, to the byte: taken before and after an operation, and put back to undo it. Where it is
 * pinned, and what of its preparation is done, is no part of it: that is done beside it.
 *
 * @phpstan-type Rows list<array<string, mixed>>
 * @phpstan-type State array{rows: Rows, categories: Rows, participants: Rows, attachments?: Rows, tasks?: Rows}
 */
final class SeriesSnapshot
{
    /** What hangs on a series, and by what it is put in order. */
    private const TABLES = ['categories' => ['event_category', 'category_id'], 'participants' => ['event_participants', 'address'], 'attachments' => ['event_attachments', 'id'], 'tasks' => ['event_tasks', 'id']];

    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /**
     * Whether two states are the same, whatever their versions.
     *
     * @param  ?State  $a
     * @param  ?State  $b
     */
    public static function same(?array $a, ?array $b): bool
    {
        $plain = static fn (?array $state): string => (string) json_encode($state === null ? null : ['rows' => array_map(static fn (array $row): array => array_diff_key($row, ['version' => true]), $state['rows'])] + $state);

        return $plain($a) === $plain($b);
    }

    /** @return ?State null where there is no such series */
    public function take(int $headId): ?array
    {
        return $this->takeAll([$headId])[$headId];
    }

    /**
     * @param  list<int>  $headIds
     * @return array<int, ?State> by head
     */
    public function takeAll(array $headIds): array
    {
        $states = array_fill_keys($headIds, null);
        foreach (array_chunk($headIds, 500) as $some) {
            $rows = DB::table('events')->whereIntegerInRaw('id', $some)->orderBy('id')->get()
                ->concat(DB::table('events')->whereIntegerInRaw('series_id', $some)->orderBy('id')->get());
            $heads = [];
            foreach ($rows as $row) {
                $heads[$row->id] = $row->series_id ?? $row->id;
                $states[$heads[$row->id]] ??= ['rows' => []] + array_map(static fn (): array => [], self::TABLES);
                $states[$heads[$row->id]]['rows'][] = (array) $row;
            }
            foreach (self::TABLES as $name => [$table, $order]) {
                foreach (DB::table($table)->whereIntegerInRaw('event_id', array_keys($heads))->orderBy('event_id')->orderBy($order)->get() as $row) {
                    $states[$heads[$row->event_id]][$name][] = (array) $row;
                }
            }
        }

        return $states;
    }

    /**
     * Puts a series back as it was; null takes it away altogether. Its head gets a version of its own, so that nobody goes
     * on from what was undone. Call it inside a transaction.
     *
     * @param  ?State  $snapshot
     */
    public function put(int $headId, ?array $snapshot): void
    {
        $current = DB::table('events')->where('id', $headId)->lockForUpdate()->first();
        $calendars = [$current?->calendar_id, $snapshot['rows'][0]['calendar_id'] ?? null, ...DB::table('event_pins')->where('event_id', $headId)->pluck('calendar_id')];
        DB::table('occurrences')->where('series_id', $headId)->delete();
        DB::table('events')->where('series_id', $headId)->delete();
        if ($snapshot === null) {
            DB::table('events')->where('id', $headId)->delete();
        } else {
            $version = max((int) ($current->version ?? 0), (int) $snapshot['rows'][0]['version']) + 1;
            foreach ($snapshot['rows'] as $row) {
                $columns = $row['id'] === $headId ? ['version' => $version] + $row : $row;
                DB::table('events')->updateOrInsert(['id' => $row['id']], $columns);
            }
            foreach (self::TABLES as $name => [$table]) {
                if (isset($snapshot[$name])) {
                    $this->hang($table, $headId, $name === 'categories' ? $this->stillThere($snapshot[$name]) : $snapshot[$name]);
                }
            }
            $head = Event::query()->find($headId);
            if ($head !== null) {
                $this->index->lay($head);
            }
        }
        foreach (array_unique(array_filter($calendars)) as $calendar) {
            Change::of((int) $calendar);
        }
    }

    /** @param  Rows  $rows */
    private function hang(string $table, int $headId, array $rows): void
    {
        // What stays keeps its row: what is done of it hangs on that.
        $kept = array_filter(array_column($rows, 'id'));
        DB::table($table)->where('event_id', $headId)->when($kept !== [], fn ($query) => $query->whereNotIn('id', $kept))->delete();
        if ($kept === []) {
            DB::table($table)->insert($rows);
        } else {
            DB::table($table)->upsert($rows, ['id']);
        }
    }

    /**
     * @param  Rows  $rows
     * @return Rows without the categories that were deleted since
     */
    private function stillThere(array $rows): array
    {
        $known = DB::table('categories')->whereIn('id', array_unique(array_column($rows, 'category_id')))->pluck('id')->all();

        return array_values(array_filter($rows, static fn (array $row): bool => in_array($row['category_id'], $known, true)));
    }
}

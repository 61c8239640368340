<?php

namespace App\Events;

use App\Changes\Change;
use Illuminate\Support\Facades\DB;

/** A series as the database has it, to the byte: taken before and after an operation, and put back to undo it. */
final class SeriesSnapshot
{
    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /**
     * Whether two states are the same, whatever their versions.
     *
     * @param  ?array<string, mixed>  $a
     * @param  ?array<string, mixed>  $b
     */
    public static function same(?array $a, ?array $b): bool
    {
        $plain = static fn (?array $state): string => (string) json_encode($state === null ? null : ['rows' => array_map(static fn (array $row): array => array_diff_key($row, ['version' => true]), $state['rows'])] + $state);

        return $plain($a) === $plain($b);
    }

    /** @return ?array{rows: list<array<string, mixed>>, categories: list<array<string, mixed>>, participants: list<array<string, mixed>>} null where there is no such series */
    public function take(int $headId): ?array
    {
        $rows = DB::table('events')->where('id', $headId)->orWhere('series_id', $headId)->orderBy('id')->get();
        if ($rows->isEmpty()) {
            return null;
        }
        $ids = $rows->pluck('id')->all();
        $all = static fn (string $table, string $order): array => DB::table($table)->whereIntegerInRaw('event_id', $ids)->orderBy('event_id')->orderBy($order)->get()->map(static fn (object $row): array => (array) $row)->all();

        return ['rows' => $rows->map(static fn (object $row): array => (array) $row)->all(), 'categories' => $all('event_category', 'category_id'), 'participants' => $all('event_participants', 'address')];
    }

    /**
     * Puts a series back as it was; null takes it away altogether. Its head gets a version of its own, so that nobody goes
     * on from what was undone. Call it inside a transaction.
     *
     * @param  ?array{rows: list<array<string, mixed>>, categories: list<array<string, mixed>>, participants: list<array<string, mixed>>}  $snapshot
     */
    public function put(int $headId, ?array $snapshot): void
    {
        $current = DB::table('events')->where('id', $headId)->lockForUpdate()->first();
        $calendars = [$current?->calendar_id, $snapshot['rows'][0]['calendar_id'] ?? null];
        DB::table('occurrences')->where('series_id', $headId)->delete();
        DB::table('events')->where('series_id', $headId)->delete();
        if ($snapshot === null) {
            DB::table('events')->where('id', $headId)->delete();
        } else {
            $version = max((int) ($current->version ?? 0), (int) $snapshot['rows'][0]['version']) + 1;
            DB::table('event_category')->where('event_id', $headId)->delete();
            DB::table('event_participants')->where('event_id', $headId)->delete();
            foreach ($snapshot['rows'] as $row) {
                $columns = $row['id'] === $headId ? ['version' => $version] + $row : $row;
                DB::table('events')->updateOrInsert(['id' => $row['id']], $columns);
            }
            DB::table('event_category')->insert($this->stillThere($snapshot['categories']));
            DB::table('event_participants')->insert($snapshot['participants']);
            $head = Event::query()->find($headId);
            if ($head !== null) {
                $this->index->lay($head);
            }
        }
        foreach (array_unique(array_filter($calendars)) as $calendar) {
            Change::of((int) $calendar);
        }
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return list<array<string, mixed>> without the categories that were deleted since
     */
    private function stillThere(array $rows): array
    {
        $known = DB::table('categories')->whereIn('id', array_unique(array_column($rows, 'category_id')))->pluck('id')->all();

        return array_values(array_filter($rows, static fn (array $row): bool => in_array($row['category_id'], $known, true)));
    }
}

<?php

namespace App\Occurrences;

use App\Events\EventRecord;
use Generator;
use Illuminate\Support\Facades\DB;

/** Holds the occurrence index against the core. */
final class VerifyOccurrences
{
    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /** @return Generator<int, string> each difference in words */
    public function differences(): Generator
    {
        $horizon = OccurrenceHorizon::current();
        foreach (EventRecord::query()->whereNull('series_id')->with(['overrides', 'pins'])->lazyById(200) as $head) {
            $expected = $this->lines($this->index->occurrencesOf($head, $horizon));
            if (! $head->indexed) {
                if (count($expected) <= OccurrenceHorizon::MOST_OF_ONE) {
                    yield "event {$head->id}: left out of the index, though it has ".count($expected).' occurrences only';
                }
                $expected = [];
            }
            $found = $this->lines(DB::table('occurrences')->where('series_id', $head->id)
                // What lies before or after the horizon may stand there while it rolls.
                ->when($head->repeats, fn ($query) => $query->where('ends_at', '>=', OccurrenceHorizon::stamp($horizon->from))->where('starts_at', '<', OccurrenceHorizon::stamp($horizon->to)))
                ->get(['calendar_id', 'event_id', 'series_id', 'recurrence_id', 'starts_at', 'ends_at', 'span'])
                ->map(fn (object $row): array => (array) $row)->all());
            foreach (array_diff($expected, $found) as $line) {
                yield "event {$head->id}: missing {$line}";
            }
            foreach (array_diff($found, $expected) as $line) {
                yield "event {$head->id}: should not be there: {$line}";
            }
            if (count($found) !== count(array_unique($found))) {
                yield "event {$head->id}: stands twice in the index";
            }
        }
        $orphans = DB::table('occurrences')->whereNotIn('series_id', EventRecord::query()->whereNull('series_id')->select('id'))->count();
        if ($orphans > 0) {
            yield "{$orphans} occurrences of events that are not there";
        }
    }

    /**
     * @param  array<int, array<string, mixed>>  $rows
     * @return list<string>
     */
    private function lines(array $rows): array
    {
        return array_values(array_map(fn (array $row): string => "{$row['starts_at']} to {$row['ends_at']}, named ".($row['recurrence_id'] ?? '-').", row {$row['event_id']}, calendar {$row['calendar_id']}, class {$row['span']}", $rows));
    }
}

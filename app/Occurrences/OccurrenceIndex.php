<?php

namespace App\Occurrences;

use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesChanged;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\WorkBudget;

/** Keeps the table of occurrences in step with events, within the transaction of each change. */
final class OccurrenceIndex
{
    /** Farther than any single event can be: those are indexed wherever they are. */
    private const EVER = [-31_000_000_000, 254_000_000_000];

    private const SERIES_AT_ONCE = 500;

    private const ROWS_AT_ONCE = 1000;

    /** To write one takes about as long as so many steps through a rule. */
    private const STEPS_OF_ROW = 2;

    /** By so much of it, in seconds, is told that a series that repeats within days has too many times. */
    private const PART = 31 * 86_400;

    public function __construct(private readonly EventTranslator $translator, private readonly WorkBudget $budget)
    {
    }

    public function handle(EventsChanged $event): void
    {
        $changed = array_filter($event->series, static fn (SeriesChanged $each): bool => $each->before?->indexKey() !== $each->after?->indexKey());
        foreach (array_chunk($changed, self::SERIES_AT_ONCE) as $some) {
            $stood = array_filter($some, static fn (SeriesChanged $each): bool => $each->before !== null && ! $each->before->isDeleted());
            if ($stood !== []) {
                DB::table('occurrences')->whereIntegerInRaw('series_id', self::ids($stood))->delete();
            }
            $stands = array_filter($some, static fn (SeriesChanged $each): bool => $each->after !== null && ! $each->after->isDeleted());
            if ($stands !== []) {
                $this->lay(EventRecord::query()->whereIntegerInRaw('id', self::ids($stands))->orderBy('id')->get());
            }
        }
    }

    /** Lays the occurrences of a series anew. */
    public function refresh(EventRecord $head, ?OccurrenceHorizon $horizon = null): void
    {
        $this->forget($head);
        $this->lay(new Collection([$head]), $horizon);
    }

    /**
     * Lays the occurrences of series that have none yet. Deleting where nothing is would lock what others are about to
     * insert: of two who add at once one would be turned away.
     *
     * @param  Collection<int, EventRecord>  $heads
     */
    private function lay(Collection $heads, ?OccurrenceHorizon $horizon = null): void
    {
        $heads->load(['overrides', 'pins']);
        $horizon ??= OccurrenceHorizon::toLay();
        $rows = [];
        foreach ($heads as $head) {
            $occurrences = $this->occurrencesOf($head, $horizon);
            $indexed = count($occurrences) <= OccurrenceHorizon::MOST_OF_ONE;
            if ($head->indexed !== $indexed) {
                // Not a change of the event: nobody's version moves.
                EventRecord::query()->whereKey($head->id)->toBase()->update(['indexed' => $indexed]);
                $head->setAttribute('indexed', $indexed)->syncOriginalAttribute('indexed');
            }
            if ($indexed) {
                array_push($rows, ...$occurrences);
            }
            if (count($rows) >= self::ROWS_AT_ONCE) {
                $this->insert($rows);
                $rows = [];
            }
        }
        $this->insert($rows);
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function insert(array $rows): void
    {
        $this->budget->spend(self::STEPS_OF_ROW * count($rows));
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $some) {
            DB::table('occurrences')->insert($some);
        }
    }

    /**
     * @param  array<SeriesChanged>  $changes
     * @return list<int>
     */
    private static function ids(array $changes): array
    {
        return array_values(array_map(static fn (SeriesChanged $each): int => $each->seriesId, $changes));
    }

    /**
     * The rows that a series has in the index, as the core says: on its calendar and on each that it is pinned to. Its
     * overrides and pins must be loaded.
     *
     * @return list<array{calendar_id: int, event_id: int, series_id: int, recurrence_id: ?string, starts_at: string, ends_at: string, span: int}>
     */
    public function occurrencesOf(EventRecord $head, OccurrenceHorizon $horizon): array
    {
        [$from, $to] = $head->repeats ? [$horizon->from, $horizon->to] : self::EVER;
        $series = $this->translator->times($head);
        $rows = array_map(fn (Occurrence $occurrence): array => [
            'calendar_id' => $head->calendar_id,
            'event_id' => $this->translator->rowOf($head, $occurrence->event)->id,
            'series_id' => $head->id,
            'recurrence_id' => $occurrence->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId),
            'starts_at' => OccurrenceHorizon::stamp($occurrence->startSeconds),
            'ends_at' => OccurrenceHorizon::stamp($occurrence->endSeconds),
            'span' => OccurrenceSpan::of($occurrence->endSeconds - $occurrence->startSeconds),
        ], $this->times($series, $from, $to));
        $everywhere = $rows;
        // A pin to the calendar that it is on by now says nothing more.
        foreach ($head->pins->where('calendar_id', '!=', $head->calendar_id) as $pin) {
            array_push($everywhere, ...array_map(static fn (array $row): array => ['calendar_id' => $pin->calendar_id] + $row, $rows));
        }

        return $everywhere;
    }

    /** @return list<Occurrence> all of them; or, where a part alone has more than the index takes, that part */
    private function times(Series $series, int $from, int $to): array
    {
        $timing = $series->master?->timing;
        if ($timing?->recurrence->repeatsWithinDays() === true) {
            $begin = max($from, $timing->start->indexSeconds());
            $part = $series->occurrences($begin, min($to, $begin + self::PART), $this->budget);
            if (count($part) > OccurrenceHorizon::MOST_OF_ONE) {
                return $part;
            }
        }

        return $series->occurrences($from, $to, $this->budget);
    }

    /**
     * The rows of a series that come within reach when the horizon moves on. Its overrides and pins must be loaded.
     *
     * @return list<array{calendar_id: int, event_id: int, series_id: int, recurrence_id: ?string, starts_at: string, ends_at: string, span: int}>
     */
    public function beyond(EventRecord $head, OccurrenceHorizon $old, OccurrenceHorizon $horizon): array
    {
        $edge = OccurrenceHorizon::stamp($old->to);

        // What begins before the edge is in the index already.
        return array_values(array_filter($this->occurrencesOf($head, new OccurrenceHorizon($old->to, $horizon->to)), static fn (array $row): bool => $row['starts_at'] >= $edge));
    }

    public function forget(EventRecord $head): void
    {
        DB::table('occurrences')->where('series_id', $head->id)->delete();
    }
}

<?php

namespace App\Events;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\RecurrenceId;

/** Keeps the table of occurrences in step with events. Call it inside the transaction of the change. */
final class OccurrenceIndex
{
    /** Farther than any single event can be: those are indexed wherever they are. */
    private const EVER = [-31_000_000_000, 254_000_000_000];

    public function __construct(private readonly EventTranslator $translator)
    {
    }

    /** Lays the occurrences of a series anew. */
    public function refresh(Event $head, ?OccurrenceHorizon $horizon = null): void
    {
        $this->forget($head);
        $head->load(['categories', 'overrides.categories']);
        $series = $this->translator->series($head);
        $horizon ??= OccurrenceHorizon::current();
        $rows = [$this->rowId($head->recurrence_id) => $head->id];
        foreach ($head->overrides as $override) {
            $rows[$this->rowId($override->recurrence_id)] = $override->id;
        }
        [$from, $to] = $head->repeats ? [$horizon->from, $horizon->to] : self::EVER;
        $insert = array_map(fn (Occurrence $occurrence): array => [
            'calendar_id' => $head->calendar_id,
            'event_id' => $rows[$this->rowId($this->overrideOf($occurrence->event))],
            'series_id' => $head->id,
            'recurrence_id' => $occurrence->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId),
            'starts_at' => OccurrenceHorizon::stamp($occurrence->startSeconds),
            'ends_at' => OccurrenceHorizon::stamp($occurrence->endSeconds),
            'span' => OccurrenceSpan::of($occurrence->endSeconds - $occurrence->startSeconds),
        ], $series->occurrences($from, $to));
        foreach (array_chunk($insert, 1000) as $chunk) {
            DB::table('occurrences')->insert($chunk);
        }
    }

    public function forget(Event $head): void
    {
        DB::table('occurrences')->where('series_id', $head->id)->delete();
    }

    private function overrideOf(CoreEvent $event): ?string
    {
        return $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId);
    }

    private function rowId(?string $recurrenceId): string
    {
        return $recurrenceId ?? 'head';
    }
}

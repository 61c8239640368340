<?php

namespace App\Sources;

use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Write\SeriesState;
use App\History\FieldChangeData;
use App\History\OperationSeries;
use App\History\RecordOfState;
use App\History\SeriesFields;
use App\Imports\KnownEvents;
use PinnedRota\Core\Import\PlannedSeries;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Sources\RefreshState;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** With which events a refresh did what, or of one that is held back, would do. */
final class RefreshedEvents
{
    public const MOST = 300;

    public function __construct(
        private readonly SeriesFields $fields,
        private readonly EventTranslator $translator,
        private readonly SourceReader $reader,
    ) {
    }

    /** @return list<RefreshedEventData> what goes first */
    public function of(Refresh $refresh): array
    {
        $events = match (true) {
            $refresh->state === RefreshState::Held => $this->wouldBe($refresh),
            $refresh->operation_id !== null => $this->were($refresh->operation_id),
            default => [],
        };
        $order = ['removed' => 0, 'changed' => 1, 'added' => 2];
        usort($events, static fn (RefreshedEventData $a, RefreshedEventData $b): int => [$order[$a->verdict], $a->start] <=> [$order[$b->verdict], $b->start]);

        return array_slice($events, 0, self::MOST);
    }

    /** @return list<RefreshedEventData> */
    private function were(int $operation): array
    {
        $events = [];
        foreach (OperationSeries::query()->where('operation_id', $operation)->lazyById(self::MOST) as $series) {
            $before = self::live($series->before());
            $after = self::live($series->after());
            $shown = $after ?? $before;
            if ($shown === null) {
                continue;
            }
            $verdict = $before === null ? 'added' : ($after === null ? 'removed' : 'changed');
            $events[] = self::told($verdict, RecordOfState::head($shown), $verdict === 'changed' ? SeriesFields::differences($this->fields->of($before), $this->fields->of($after)) : []);
        }

        return $events;
    }

    /** @return list<RefreshedEventData> */
    private function wouldBe(Refresh $refresh): array
    {
        $source = Source::query()->with('calendar')->findOrFail($refresh->source_id);
        $document = HeldDocument::of($refresh, $source->url);
        if ($document === null) {
            return [];
        }
        $plan = $this->reader->read($document, $source->terms ?? [], Zone::of($source->calendar->timezone), new KnownEvents($source->calendar))->plan;
        $events = $this->heads($source, array_slice($plan->missing(), 0, self::MOST), static fn (EventRecord $head): RefreshedEventData => self::told('removed', $head, []));
        $changed = [];
        foreach ($plan as $planned) {
            if ($planned->verdict === Verdict::Added) {
                $found = EventAtAddressData::of($planned->series->events()[0]);
                $events[] = new RefreshedEventData('added', $found->title, $found->start, $found->allDay, $planned->series->events()[0]->timing->repeats(), []);
            } elseif ($planned->verdict === Verdict::Changed && count($changed) < self::MOST) {
                $changed[$planned->series->uid()] = $planned;
            }
        }

        return [...$events, ...$this->heads($source, array_keys($changed), fn (EventRecord $head): RefreshedEventData => self::told('changed', $head, $this->differences($source->calendar_id, $head, $changed[$head->uid])))];
    }

    /**
     * @param  list<string>  $uids
     * @param  callable(EventRecord): RefreshedEventData  $told
     * @return list<RefreshedEventData>
     */
    private function heads(Source $source, array $uids, callable $told): array
    {
        return EventRecord::query()->where('calendar_id', $source->calendar_id)->whereNull('series_id')->whereIn('uid', $uids)->with(EventRecord::WHOLE)->get()->map($told)->all();
    }

    /** @return list<FieldChangeData> */
    private function differences(int $calendarId, EventRecord $head, PlannedSeries $planned): array
    {
        return SeriesFields::differences($this->fields->ofSeries($calendarId, $this->translator->series($head)), $this->fields->ofSeries($calendarId, $planned->series));
    }

    private static function live(?SeriesState $state): ?SeriesState
    {
        return $state === null || $state->isDeleted() ? null : $state;
    }

    /**
     * @param  'added'|'changed'|'removed'  $verdict
     * @param  list<FieldChangeData>  $changes
     */
    private static function told(string $verdict, EventRecord $head, array $changes): RefreshedEventData
    {
        $allDay = $head->time_kind === TimeKind::Date;

        return new RefreshedEventData($verdict, $head->title, substr($head->starts_local, 0, $allDay ? 10 : 16), $allDay, $head->repeats, $changes);
    }
}

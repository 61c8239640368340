<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\History\Operation;
use Generator;
use PinnedRota\Core\Documents\RowOver;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Import\PlannedSeries;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Time\Zone;

/** Brings iCalendar into a calendar: what a stream holds compared with what came in before, and carried out. */
final class Intake
{
    private const AT_ONCE = 100;

    public function __construct(private readonly ChangeEvents $changes, private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  resource  $stream
     * @param  ?list<string>  $gone  UIDs of what is to go where it is not in the stream
     *
     * @throws NotICalendar
     */
    public function plan(Calendar $calendar, mixed $stream, Diagnostics $diagnostics, ?array $gone = null): Plan
    {
        $reader = new CalendarReader($stream, $diagnostics, Zone::of($calendar->timezone));

        return Plan::compare($reader->events(), new KnownEvents($calendar, $gone), $diagnostics, $gone !== null);
    }

    /**
     * The same of the rows of a document.
     *
     * @param  iterable<Event>  $events
     * @param  ?list<string>  $gone  UIDs of what is to go where it is not among them
     */
    public function planOf(Calendar $calendar, iterable $events, ?array $gone = null): Plan
    {
        return Plan::compare($events, new KnownRows($calendar, $gone), isRemoving: $gone !== null);
    }

    /**
     * Adds what is new, replaces what has changed and takes away what is to go. All of it is one operation.
     *
     * @param  ?int  $importId  the import that it is
     * @param  ?callable(int, int): void  $progress  told how many of how many events are written
     * @return ?Operation null where there is nothing to do
     */
    public function carryOut(Calendar $calendar, Plan $plan, Actor $actor, Cause $cause, ?int $importId = null, ?callable $progress = null): ?Operation
    {
        return $this->carryOutAll([$calendar->id => $plan], [$calendar->id => $calendar], $actor, $cause, $importId, $progress);
    }

    /**
     * The same of several calendars.
     *
     * @param  array<int, Plan>  $plans  by the id of the calendar that each is of
     * @param  array<int, Calendar>  $calendars  likewise
     * @param  ?callable(int, int): void  $progress
     */
    public function carryOutAll(array $plans, array $calendars, Actor $actor, Cause $cause, ?int $importId = null, ?callable $progress = null): ?Operation
    {
        $count = array_sum(array_map(static fn (Plan $plan): int => array_sum(array_diff_key($plan->counts(), ['unchanged' => 0])), $plans));
        $kind = $cause === Cause::Refresh ? OperationKind::Refresh : OperationKind::Import;
        $isDocument = $cause === Cause::Document;
        $commands = function () use ($plans, $calendars, $importId, $isDocument): Generator {
            foreach ($plans as $id => $plan) {
                foreach ($this->commands($calendars[$id], $plan, $importId, $isDocument) as $command) {
                    yield $command;
                }
            }
        };

        return $this->changes->carryOutMany($actor, $cause, $kind, array_keys($plans), $commands, $count, $progress);
    }

    /**
     * @param  bool  $isDocument  what it says is ours, and bears no mark of having come in
     * @return Generator<int, Command>
     */
    private function commands(Calendar $calendar, Plan $plan, ?int $importId, bool $isDocument): Generator
    {
        $known = new KnownEvents($calendar);
        $changed = [];
        foreach ($plan as $planned) {
            if ($planned->verdict === Verdict::Added) {
                yield new AddSeries($calendar->id, $planned->series, $isDocument ? new NewSeries : new NewSeries(importId: $importId, fingerprint: $planned->fingerprint));
            } elseif ($planned->verdict === Verdict::Changed) {
                $changed[] = $planned;
            }
            if (count($changed) === self::AT_ONCE) {
                yield from $isDocument ? $this->layingOver($known, $changed) : $this->replacing($known, $changed);
                $changed = [];
            }
        }
        yield from $isDocument ? $this->layingOver($known, $changed) : $this->replacing($known, $changed);
        foreach (array_chunk($plan->missing(), self::AT_ONCE) as $some) {
            foreach ($known->ids($some) as $id) {
                yield new DeleteSeries($id);
            }
        }
    }

    /**
     * @param  list<PlannedSeries>  $changed
     * @return Generator<int, Command>
     */
    private function replacing(KnownEvents $known, array $changed): Generator
    {
        $ids = $known->ids(array_map(static fn (PlannedSeries $each): string => $each->series->uid(), $changed));
        foreach ($changed as $each) {
            yield new ReplaceSeries($ids[$each->series->uid()], $each->series, $each->fingerprint);
        }
    }

    /**
     * @param  list<PlannedSeries>  $changed
     * @return Generator<int, Command>
     */
    private function layingOver(KnownEvents $known, array $changed): Generator
    {
        $ids = $known->ids(array_map(static fn (PlannedSeries $each): string => $each->series->uid(), $changed));
        $heads = EventRecord::query()->with(EventRecord::WHOLE)->findMany($ids)->keyBy('uid');
        foreach ($changed as $each) {
            $head = $heads[$each->series->uid()];
            yield new ReplaceSeries($head->id, RowOver::of($this->translator->series($head), $each->series));
        }
    }
}

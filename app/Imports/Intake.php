<?php

namespace App\Imports;

use App\Calendars\Calendar;
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
    private const AT_ONCE = 500;

    public function __construct(private readonly ChangeEvents $changes)
    {
    }

    /**
     * @param  resource  $stream
     * @param  bool  $isRemoving  whether what came in before and is not there any more is to go
     *
     * @throws NotICalendar
     */
    public function plan(Calendar $calendar, mixed $stream, Diagnostics $diagnostics, bool $isRemoving = false): Plan
    {
        $reader = new CalendarReader($stream, $diagnostics, Zone::of($calendar->timezone));

        return Plan::compare($reader->events(), new KnownEvents($calendar), $diagnostics, $isRemoving);
    }

    /** @param  iterable<Event>  $events */
    public function planOf(Calendar $calendar, iterable $events): Plan
    {
        return Plan::compare($events, new KnownEvents($calendar));
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
        $counts = $plan->counts();
        $kind = $cause === Cause::Refresh ? OperationKind::Refresh : OperationKind::Import;

        return $this->changes->carryOutMany($actor, $cause, $kind, [$calendar->id], fn (): Generator => $this->commands($calendar, $plan, $importId), $counts['added'] + $counts['changed'] + $counts['removed'], $progress);
    }

    /** @return Generator<int, Command> */
    private function commands(Calendar $calendar, Plan $plan, ?int $importId): Generator
    {
        $known = new KnownEvents($calendar);
        $changed = [];
        foreach ($plan as $planned) {
            if ($planned->verdict === Verdict::Added) {
                yield new AddSeries($calendar->id, $planned->series, new NewSeries(importId: $importId, fingerprint: $planned->fingerprint));
            } elseif ($planned->verdict === Verdict::Changed) {
                $changed[] = $planned;
            }
            if (count($changed) === self::AT_ONCE) {
                yield from $this->replacing($known, $changed);
                $changed = [];
            }
        }
        yield from $this->replacing($known, $changed);
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
}

<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\History\Operation;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Import\Verdict;
use PinnedRota\Core\Time\Zone;

/** Brings iCalendar into a calendar: what a stream holds compared with what came in before, and carried out. */
final class Intake
{
    public function __construct(private readonly ChangeEvents $changes)
    {
    }

    /**
     * @param  resource  $stream
     *
     * @throws NotICalendar
     */
    public function plan(Calendar $calendar, mixed $stream, Diagnostics $diagnostics): Plan
    {
        $reader = new CalendarReader($stream, $diagnostics, Zone::of($calendar->timezone));

        return Plan::compare($reader->events(), $this->known($calendar), $diagnostics);
    }

    /**
     * Adds what is new and replaces what has changed; takes away what is missing only where $removing. All of it is one
     * operation.
     *
     * @param  ?int  $importId  the import that it is
     * @param  ?callable(int, int): void  $progress  told how many of how many events are written
     * @return ?Operation null where there is nothing to do
     */
    public function carryOut(Calendar $calendar, Plan $plan, Actor $actor, Cause $cause, bool $removing = false, ?int $importId = null, ?callable $progress = null): ?Operation
    {
        $heads = $this->heads($calendar)->pluck('id', 'uid');
        $commands = [];
        foreach ($plan->series as $planned) {
            if ($planned->verdict === Verdict::Added) {
                $commands[] = new AddSeries($calendar->id, $planned->series, new NewSeries(importId: $importId, fingerprint: $planned->fingerprint));
            } elseif ($planned->verdict === Verdict::Changed) {
                $commands[] = new ReplaceSeries((int) $heads[$planned->series->uid()], $planned->series, $planned->fingerprint);
            }
        }
        foreach ($removing ? $plan->missing : [] as $uid) {
            $commands[] = new DeleteSeries((int) $heads[$uid]);
        }

        return $commands === [] ? null : $this->changes->carryOut($actor, $cause, $cause === Cause::Refresh ? OperationKind::Refresh : OperationKind::Import, $commands, progress: $progress)->operation;
    }

    /** @return array<string, string> fingerprints by UID; an event written here and never brought in has an empty one */
    private function known(Calendar $calendar): array
    {
        return $this->heads($calendar)->pluck('fingerprint', 'uid')->map(fn (?string $fingerprint): string => (string) $fingerprint)->all();
    }

    private function heads(Calendar $calendar): mixed
    {
        return EventRecord::query()->where('calendar_id', $calendar->id)->whereNull('series_id');
    }
}

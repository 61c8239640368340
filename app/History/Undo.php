<?php

namespace App\History;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\PinSeries;
use App\Events\Write\Commands\PutBack;
use App\Events\Write\Commands\UnpinSeries;
use App\Events\Write\KeptSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\SeriesState;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\GuestRight;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Undoes operations and does them again: as a whole, and only where nobody changed the same events since. */
final class Undo
{
    public function __construct(private readonly ChangeEvents $changes, private readonly SeenSeries $seen)
    {
    }

    /**
     * @throws ConflictHttpException where it is undone already, or somebody changed the same events since
     * @throws AccessDeniedHttpException where the person may not change them any more
     */
    public function undo(Operation $operation, Person $by, Perspective $perspective): UndoneData
    {
        return $this->turn($operation, $by, $perspective, true);
    }

    /** Does it again that was undone; it throws as undo() does. */
    public function redo(Operation $operation, Person $by, Perspective $perspective): UndoneData
    {
        return $this->turn($operation, $by, $perspective, false);
    }

    /**
     * Takes back what came in from outside, for whoever manages where it came to: that is asked before.
     *
     * @throws ConflictHttpException where it is undone already, or was changed since
     */
    public function takeBack(Operation $operation, Person $by): void
    {
        $this->turn($operation, $by, null, true);
    }

    private function turn(Operation $operation, Person $by, ?Perspective $perspective, bool $back): UndoneData
    {
        return DB::transaction(function () use ($operation, $by, $perspective, $back): UndoneData {
            $locked = Operation::query()->lockForUpdate()->findOrFail($operation->id);
            if (($locked->undone_at === null) !== $back) {
                throw new ConflictHttpException($back ? 'This is undone already.' : 'This is done already.');
            }
            $commands = [];
            // What came in by the hundred is not lost to undoing by one that somebody has put right since: that one stays.
            $kept = $locked->kind === OperationKind::Import ? new KeptSeries : null;
            $series = $locked->series()->get();
            foreach ($series as $each) {
                [$from, $to] = $back ? [$each->after(), $each->before()] : [$each->before(), $each->after()];
                array_push($commands, ...$this->commands($each->series_id, $from, $to, $perspective, $kept));
            }
            $this->changes->turn($locked, Actor::person($by), $commands, $back);
            $titles = $kept?->titles() ?? [];
            if ($titles !== [] && count($titles) === $series->count()) {
                throw new ConflictHttpException('All of it was changed since. Nothing was undone; see the history of each.');
            }

            return UndoneData::of($titles);
        });
    }

    /**
     * @param  ?SeriesState  $from  as the series is thought to be now
     * @param  ?SeriesState  $to  as it is to be
     * @param  ?Perspective  $perspective  null where it was asked before whether it may be done
     * @param  ?KeptSeries  $kept  see PutBack
     * @return list<Command>
     */
    private function commands(int $seriesId, ?SeriesState $from, ?SeriesState $to, ?Perspective $perspective, ?KeptSeries $kept): array
    {
        $commands = [];
        if (! SeriesState::same($from, $to)) {
            if ($perspective !== null) {
                $this->demandChange($from, $perspective);
                $this->demandChange($to, $perspective);
            }
            $commands[] = new PutBack($seriesId, $to, $from, kept: $kept);
        }
        // What comes in from outside pins nothing.
        if ($from === null || $to === null || $perspective === null) {
            return $commands;
        }
        // Where those see it who are asked follows from who is, and where all of its source shows from that.
        $isOwn = static fn (array $pin): bool => ! $pin['asked'] && ($pin['source_pin_id'] ?? null) === null;
        $pinned = static fn (SeriesState $state): array => array_column(array_filter($state->pins, $isOwn), null, 'calendar_id');
        [$were, $are] = [$pinned($from), $pinned($to)];
        foreach (array_diff_key($are, $were) as $calendarId => $pin) {
            if ($this->seen->pinnerSees($seriesId, $pin['pinned_by'], (bool) $pin['joined']) !== Visibility::Full) {
                throw new AccessDeniedHttpException('This event is not shared with you any more.');
            }
            if (! $this->calendar($perspective, (int) $calendarId)->mayAdd()) {
                throw new AccessDeniedHttpException('You may not add to this calendar any more.');
            }
            $commands[] = new PinSeries($seriesId, (int) $calendarId, (bool) $pin['joined'], $pin['pinned_by']);
        }
        foreach (array_diff_key($were, $are) as $calendarId => $pin) {
            $this->calendar($perspective, (int) $calendarId);
            $commands[] = new UnpinSeries($seriesId, (int) $calendarId);
        }

        return $commands;
    }

    private function calendar(Perspective $perspective, int $id): AccessibleCalendar
    {
        return $perspective->calendars[$id] ?? throw new AccessDeniedHttpException('You may not add to this calendar any more.');
    }

    private function demandChange(?SeriesState $state, Perspective $perspective): void
    {
        if ($state === null) {
            return;
        }
        $calendar = $perspective->calendars[$state->calendarId()] ?? null;
        $byCalendar = $calendar !== null && EventRights::mayChange($calendar->eventLevel(), $perspective->viewer->isAuthor($state->authorId()));
        if (! $byCalendar && ! $this->seen->mayAsGuest(GuestRight::Change, RecordOfState::head($state), $perspective)) {
            throw new AccessDeniedHttpException('You may not change this event any more.');
        }
    }
}

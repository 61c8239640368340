<?php

namespace App\Events\Write;

use App\Events\EventRecord;
use App\History\Operation;
use App\History\OperationLog;
use App\Pins\SourcePins;
use Closure;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/**
 * The one way to change events: carries out commands for somebody, all of them or none, in one transaction. Each time it is
 * written down as one operation, and every series that has changed is told of once. What follows from that, such as the occurrence
 * index and the sync log, is no matter of this. Whether somebody may do what the commands say is asked before.
 */
final class ChangeEvents
{
    /** Where two get into each other’s way in the database, one of them begins again. */
    private const ATTEMPTS = 3;

    private const AT_ONCE = 1000;

    private const TOGETHER = 100;

    /** Of many commands so many are carried out, written down and told of at a time. */
    private const PART = 500;

    public function __construct(private readonly SeriesTable $table, private readonly SeriesStates $states, private readonly OperationLog $log, private readonly Dispatcher $events)
    {
    }

    /**
     * @param  non-empty-list<Command>  $commands  carried out in this order
     * @param  array<int, int>  $basedOn  versions that the commands were made from, by head
     * @param  ?callable(int, int): void  $progress  told how many of how many commands are carried out; what it throws takes all of it back
     *
     * @throws OutdatedSeries where a series is of another version
     * @throws ModelNotFoundException where a series is not there any more
     * @throws ConflictHttpException where a calendar would have two events of one UID
     */
    public function carryOut(Actor $actor, Cause $cause, OperationKind $kind, array $commands, array $basedOn = [], ?callable $progress = null, Telling $telling = Telling::Gathered): Done
    {
        return $this->within($actor, $cause, $commands, $basedOn, fn (array $before, array $after): Operation => $this->log->write($actor, $cause, $kind, $before, $after), $progress, $telling);
    }

    /**
     * Carries out any number of commands as one operation, in memory that does not grow with them: written down and told of a part
     * at a time, within one transaction.
     *
     * @param  list<int>  $calendarIds  all that are concerned
     * @param  callable(): iterable<Command>  $commands  of which no two are of one series; asked again where all has to begin again
     * @param  ?callable(int, int): void  $progress  told how many of how many commands are carried out; what it throws takes all of it back
     * @return ?Operation null where there are none
     *
     * @throws ModelNotFoundException where a series is not there any more
     * @throws ConflictHttpException where a calendar would have two events of one UID
     */
    public function carryOutMany(Actor $actor, Cause $cause, OperationKind $kind, array $calendarIds, callable $commands, int $count, ?callable $progress = null): ?Operation
    {
        return $this->inOne(function () use ($actor, $cause, $kind, $calendarIds, $commands, $count, $progress): ?Operation {
            $this->lockCalendars($calendarIds);
            $operation = null;
            $done = 0;
            foreach (LazyCollection::make($commands)->values()->chunk(self::PART) as $some) {
                $part = $this->part(array_values($some->all()), $actor, []);
                $operation ??= $this->log->begin($actor, $cause, $kind);
                $this->log->add($operation, $part->before, $part->after);
                $this->tell($part, $actor, $cause, $operation);
                $done += count($some);
                if ($progress !== null) {
                    $progress($done, $count);
                }
            }

            return $operation;
        });
    }

    /**
     * Carries out what takes an operation back, or does it again.
     *
     * @param  list<Command>  $commands
     */
    public function turn(Operation $operation, Actor $actor, array $commands, bool $back): void
    {
        $this->within($actor, Cause::Undo, $commands, [], function () use ($operation, $back): Operation {
            $operation->update(['undone_at' => $back ? now() : null]);

            return $operation;
        });
    }

    /**
     * @param  list<Command>  $commands
     * @param  array<int, int>  $basedOn
     * @param  callable(array<int, ?SeriesState>, array<int, ?SeriesState>): Operation  $written
     * @param  ?callable(int, int): void  $progress
     */
    private function within(Actor $actor, Cause $cause, array $commands, array $basedOn, callable $written, ?callable $progress = null, Telling $telling = Telling::Gathered): Done
    {
        return $this->inOne(function () use ($actor, $cause, $commands, $basedOn, $written, $progress, $telling): Done {
            $this->lockCalendars($this->calendarsOf($commands));
            $part = $this->part($commands, $actor, $basedOn, $progress);
            $operation = $written($part->before, $part->after);
            $this->tell($part, $actor, $cause, $operation, $telling);

            return new Done($operation, $part->changed);
        });
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     */
    private function inOne(Closure $work): mixed
    {
        try {
            return DB::transaction(function () use ($work): mixed {
                $this->table->begin();

                return $work();
            }, self::ATTEMPTS);
        } catch (UniqueConstraintViolationException $problem) {
            throw str_contains($problem->getMessage(), 'events_live_uid')
                ? new ConflictHttpException('There is this event on that calendar already: one of the same UID, as it came in by a file or from outside.')
                : $problem;
        }
    }

    /**
     * @param  list<Command>  $commands
     * @param  array<int, int>  $basedOn
     * @param  ?callable(int, int): void  $progress
     */
    private function part(array $commands, Actor $actor, array $basedOn, ?callable $progress = null): CarriedOut
    {
        $known = self::known($commands);
        $this->lock($known, $basedOn);
        $before = $this->states->all($known);
        $changed = [];
        foreach ($this->together($commands) as $some) {
            array_push($changed, ...$this->apply($some, $actor));
            if ($progress !== null) {
                $progress(count($changed), count($commands));
            }
        }
        $this->table->flush();
        $ids = array_values(array_unique([...$known, ...$changed]));
        $this->table->layPins($ids);
        $this->table->giveOutPlaces($ids, $actor);
        $before += array_fill_keys($ids, null);
        $after = $this->states->all($ids);
        // What is as it was is no part of the operation.
        $touched = array_flip(array_filter($ids, static fn (int $id): bool => ! SeriesState::identical($before[$id], $after[$id])));

        return new CarriedOut($changed, array_replace($touched, array_intersect_key($before, $touched)), array_replace($touched, array_intersect_key($after, $touched)));
    }

    private function tell(CarriedOut $part, Actor $actor, Cause $cause, Operation $operation, Telling $telling = Telling::Gathered): void
    {
        if ($part->before !== []) {
            $this->events->dispatch(new EventsChanged(array_map(
                static fn (int $id): SeriesChanged => new SeriesChanged($id, $part->before[$id], $part->after[$id], $actor, $cause),
                array_keys($part->before),
            ), $telling, $operation->id, $operation->undone_at !== null));
        }
    }

    /**
     * @param  list<Command>  $commands
     * @return list<int> the series that are there and are named by them
     */
    private static function known(array $commands): array
    {
        return array_values(array_unique(array_filter(array_map(static fn (Command $each): ?int => $each->seriesId(), $commands), is_int(...))));
    }

    /**
     * @param  non-empty-list<Command>  $together  of one class, where there is more than one
     * @return list<int>
     */
    private function apply(array $together, Actor $actor): array
    {
        $alike = array_values(array_filter($together, static fn (Command $each): bool => $each instanceof AppliesTogether));

        return $alike === [] ? [$together[0]->apply($this->table, $actor)] : $alike[0]::applyAll($alike, $this->table, $actor);
    }

    /**
     * The commands in their order, those together that can be carried out in a few statements.
     *
     * @param  list<Command>  $commands
     * @return list<non-empty-list<Command>>
     */
    private function together(array $commands): array
    {
        $parts = [];
        foreach ($commands as $command) {
            $last = count($parts) - 1;
            if ($command instanceof AppliesTogether && $last >= 0 && $parts[$last][0]::class === $command::class && count($parts[$last]) < self::TOGETHER) {
                $parts[$last][] = $command;
            } else {
                $parts[] = [$command];
            }
        }

        return $parts;
    }

    /**
     * @param  list<Command>  $commands
     * @return list<int> those that the commands name, and those on which the series show that they change
     */
    private function calendarsOf(array $commands): array
    {
        $ids = array_merge(...array_map(static fn (Command $each): array => $each instanceof NamesCalendars ? $each->calendarIds() : [], $commands));
        foreach (array_chunk(self::known($commands), self::AT_ONCE) as $some) {
            array_push($ids, ...DB::table('events')->whereIntegerInRaw('id', $some)->distinct()->pluck('calendar_id'), ...DB::table('event_pins')->whereIntegerInRaw('event_id', $some)->distinct()->pluck('calendar_id'));
        }

        return $ids;
    }

    /**
     * Locks the calendars that are concerned before anything else, everybody in the same order: whoever adds to one counts
     * it up in the end, and two who first share it and then both want it alone would wait for each other.
     *
     * @param  list<int>  $ids
     */
    private function lockCalendars(array $ids): void
    {
        $lock = static fn (array $some) => DB::table('calendars')->whereIntegerInRaw('id', array_unique($some))->orderBy('id')->lockForUpdate()->pluck('id');
        $lock($ids);
        // Not before: what is read while one waits for a lock is what was there before whoever held it.
        $further = array_diff(SourcePins::targets($ids), $ids);
        if ($further !== []) {
            $lock($further);
        }
    }

    /**
     * Locks the heads, everybody in the same order.
     *
     * @param  list<int>  $ids
     * @param  array<int, int>  $basedOn
     */
    private function lock(array $ids, array $basedOn): void
    {
        if ($ids === []) {
            return;
        }
        $heads = EventRecord::withTrashed()->whereIntegerInRaw('id', $ids)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
        $outdated = array_values(array_filter($heads->all(), static fn (EventRecord $head): bool => isset($basedOn[$head->id]) && $basedOn[$head->id] !== $head->version));
        if ($outdated !== []) {
            throw new OutdatedSeries($outdated);
        }
        foreach (array_keys($basedOn) as $id) {
            if (! $heads->has($id)) {
                throw (new ModelNotFoundException)->setModel(EventRecord::class);
            }
        }
    }
}

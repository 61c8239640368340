<?php

namespace App\History;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\OperationKind;
use App\Events\Write\SeriesState;

/** Writes operations down, with each series as it was before and as it is after. */
final class OperationLog
{
    /** So many series are written down by one statement. */
    private const AT_ONCE = 100;

    /**
     * @param  array<int, ?SeriesState>  $before  by head
     * @param  array<int, ?SeriesState>  $after  of the same
     */
    public function write(Actor $actor, Cause $cause, OperationKind $kind, array $before, array $after): Operation
    {
        $operation = $this->begin($actor, $cause, $kind);
        $this->add($operation, $before, $after);

        return $operation;
    }

    public function begin(Actor $actor, Cause $cause, OperationKind $kind): Operation
    {
        return Operation::query()->create(['person_id' => $actor->personId, 'kind' => $kind, 'cause' => $cause, 'created_at' => now()]);
    }

    /**
     * Writes down what else an operation has changed.
     *
     * @param  array<int, ?SeriesState>  $before  by head
     * @param  array<int, ?SeriesState>  $after  of the same
     */
    public function add(Operation $operation, array $before, array $after): void
    {
        foreach (array_chunk(array_keys($before), self::AT_ONCE) as $some) {
            OperationSeries::query()->insert(array_map(static fn (int $id): array => ['operation_id' => $operation->id, 'series_id' => $id, 'before' => $before[$id]?->stored(), 'after' => $after[$id]?->stored()], $some));
        }
    }
}

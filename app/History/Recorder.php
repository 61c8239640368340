<?php

namespace App\History;

use App\Directory\Person;
use App\Events\SeriesSnapshot;
use Closure;
use Illuminate\Support\Facades\DB;

/** Writes down what is done with events, in the transaction in which it is done: all or nothing. */
final class Recorder
{
    /** Where two get into each other’s way in the database, one of them begins again. */
    private const ATTEMPTS = 3;

    /** So many series are written down by one statement. */
    private const AT_ONCE = 100;

    /** The operation that was recorded last, for the answer to name. */
    public ?Operation $last = null;

    public function __construct(private readonly SeriesSnapshot $snapshot)
    {
    }

    /**
     * Makes a change to series.
     *
     * @template T
     *
     * @param  list<int>  $headIds  of the series that are there before
     * @param  Closure(Closure(int): void): T  $change  is given what to call with the head of a series that it adds
     * @param  ?string  $key  by which it can be asked after
     * @return T
     */
    public function record(Person $by, string $what, array $headIds, Closure $change, ?string $key = null): mixed
    {
        return DB::transaction(function () use ($by, $what, $headIds, $change, $key): mixed {
            $before = $this->snapshot->takeAll($headIds);
            $result = $change(static function (int $added) use (&$before): void {
                $before[$added] = null;
            });
            $operation = Operation::query()->create(['person_id' => $by->id, 'what' => $what, 'key' => $key, 'created_at' => now()]);
            $after = $this->snapshot->takeAll(array_keys($before));
            $json = static fn (?array $state): ?string => $state === null ? null : json_encode($state, JSON_THROW_ON_ERROR);
            foreach (array_chunk(array_keys($before), self::AT_ONCE) as $some) {
                OperationSeries::query()->insert(array_map(static fn (int $headId): array => ['operation_id' => $operation->id, 'head_id' => $headId, 'before' => $json($before[$headId]), 'after' => $json($after[$headId])], $some));
            }
            $this->last = $operation;

            return $result;
        }, self::ATTEMPTS);
    }
}

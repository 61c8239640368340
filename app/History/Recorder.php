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
     * @return T
     */
    public function record(Person $by, string $what, array $headIds, Closure $change): mixed
    {
        return DB::transaction(function () use ($by, $what, $headIds, $change): mixed {
            $before = array_combine($headIds, array_map($this->snapshot->take(...), $headIds));
            $result = $change(static function (int $added) use (&$before): void {
                $before[$added] = null;
            });
            $operation = Operation::query()->create(['person_id' => $by->id, 'what' => $what, 'created_at' => now()]);
            foreach ($before as $headId => $was) {
                $operation->series()->create(['head_id' => $headId, 'before' => $was, 'after' => $this->snapshot->take($headId)]);
            }
            $this->last = $operation;

            return $result;
        }, self::ATTEMPTS);
    }
}

<?php

namespace App\Following;

use App\Events\Write\OperationKind;
use App\Events\Write\SeriesState;
use Illuminate\Support\Facades\DB;

/** Reads what was done with series from what is written down of operations, step by step, their being undone among them. */
final class StepsOfSeries
{
    /** Operations of more series than these are looked at a series at a time: nothing is parted in them that has to be joined again. */
    private const TOGETHER = 10;

    /**
     * @param  int  $after  a batch; what is in later ones is read
     * @param  int  $upTo  the last batch that is
     * @return list<non-empty-list<SteppedSeries>> those together that were changed together, where they are few
     */
    public function within(int $after, int $upTo): array
    {
        $series = [];
        $steps = DB::table('operation_steps as s')->join('operation_series as o', 'o.operation_id', '=', 's.operation_id')->join('operations as done', 'done.id', '=', 's.operation_id')->where('s.batch_id', '>', $after)->where('s.batch_id', '<=', $upTo)
            ->orderBy('s.id')->orderBy('o.id')->get(['o.id', 'o.series_id', 's.back', 's.person_id', 's.operation_id', 's.quiet', 'done.kind']);
        foreach ($steps as $step) {
            $known = $series[$step->series_id] ??= new SteppedSeries($step->series_id, $step->id, (bool) $step->back, $step->id, (bool) $step->back, $step->operation_id, $step->person_id, (bool) $step->quiet, []);
            [$known->lastRow, $known->lastBack] = [$step->id, (bool) $step->back];
            // Who answers changes nothing of the event.
            if ($step->kind === OperationKind::Answer->value) {
                $known->isAnswered = true;
            } else {
                [$known->operationId, $known->personId, $known->isQuiet] = [$step->operation_id, $step->person_id, (bool) $step->quiet];
                $known->actors[$step->person_id ?? 0] = true;
            }
        }
        $byOperation = [];
        foreach ($series as $each) {
            $byOperation[$each->operationId][] = $each;
        }
        $together = [];
        foreach ($byOperation as $some) {
            array_push($together, ...(count($some) > self::TOGETHER ? array_map(static fn (SteppedSeries $each): array => [$each], $some) : [$some]));
        }

        return $together;
    }

    /**
     * @param  list<SteppedSeries>  $series
     * @return array<int, array{?SeriesState, ?SeriesState}> as they were and as they are after it, by head; null where there was, or is, nothing
     */
    public function states(array $series): array
    {
        $ids = array_unique([...array_map(static fn (SteppedSeries $each): int => $each->firstRow, $series), ...array_map(static fn (SteppedSeries $each): int => $each->lastRow, $series)]);
        $rows = DB::table('operation_series')->whereIntegerInRaw('id', $ids)->get(['id', 'before', 'after'])->keyBy('id');
        $states = [];
        foreach ($series as $each) {
            [$first, $last] = [$rows[$each->firstRow], $rows[$each->lastRow]];
            $states[$each->id] = [self::there($each->firstBack ? $first->after : $first->before), self::there($each->lastBack ? $last->before : $last->after)];
        }

        return $states;
    }

    private static function there(?string $stored): ?SeriesState
    {
        $state = SeriesState::ofStored($stored);

        return $state === null || $state->isDeleted() ? null : $state;
    }
}

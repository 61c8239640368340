<?php

namespace App\Following;

use App\Events\EventRecord;
use PinnedRota\Core\Events\Series;

/** Series that were changed together, each as it was and as it is: what left one of them and came into another is known to be the same. */
final readonly class ChangedTogether
{
    /** @var array<int, array{list<int>, list<int>}> the calendars on which each is, before and after, by head */
    public array $calendars;

    /**
     * @param  array<int, SteppedSeries>  $steps  by head
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides  before and after, by head; null where there was, or is, nothing
     * @param  list<int>  $apart  those who have to do with any of it, or did it: what they are told may be no one else’s
     */
    public function __construct(public array $steps, public array $sides, public array $apart)
    {
        $on = static fn (?array $side): array => $side === null ? [] : [$side[0]->calendar_id, ...$side[0]->pins->pluck('calendar_id')->all()];
        $this->calendars = array_map(static fn (array $both): array => [$on($both[0]), $on($both[1])], $sides);
    }

    /**
     * Whether any of it is, or was, on calendars.
     *
     * @param  list<int>  $scope
     */
    public function touches(array $scope): bool
    {
        foreach ($this->calendars as [$before, $after]) {
            if (array_intersect($before, $scope) !== [] || array_intersect($after, $scope) !== []) {
                return true;
            }
        }

        return false;
    }

    /** The step of what a change is of. */
    public function step(int $series, ?int $seriesBefore): SteppedSeries
    {
        return $this->steps[$series] ?? $this->steps[$seriesBefore ?? $series];
    }
}

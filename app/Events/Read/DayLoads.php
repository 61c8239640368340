<?php

namespace App\Events\Read;

/** How many events are on each day of a window. */
final class DayLoads
{
    /** @var list<int> */
    private array $loads;

    /**
     * @param  int  $from  the first day, as a day number
     * @param  int  $to  exclusive
     */
    public function __construct(private readonly int $from, private readonly int $to)
    {
        $this->loads = array_fill(0, $to - $from, 0);
    }

    /**
     * Adds so many on the days from one to another; what is outside the window is left out.
     *
     * @param  int  $last  included
     */
    public function add(int $first, int $last, int $many): void
    {
        for ($day = max($first, $this->from); $day <= min($last, $this->to - 1); $day++) {
            $this->loads[$day - $this->from] += $many;
        }
    }

    /** @return list<int> day by day */
    public function all(): array
    {
        return $this->loads;
    }
}

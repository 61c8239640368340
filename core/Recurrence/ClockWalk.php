<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use Generator;
use PinnedRota\Core\Time\CivilDate;

/**
 * The instances of an HOURLY, MINUTELY or SECONDLY rule in wall time.
 *
 * A period is an hour, a minute or a second. Where the day, hour, minute or second at hand is not allowed, the walk
 * leaps to the next that is instead of trying the periods between, so a step is taken for each leap and each
 * instance and not for each second.
 */
final readonly class ClockWalk
{
    private int $unit;

    /** The unit that holds DTSTART, counted from 1970. */
    private int $origin;

    /** @var list<int> seconds after the start of a period at which its instances lie */
    private array $within;

    public function __construct(private Rule $rule, private int $start, private DaySelector $selector, private StepBudget $budget)
    {
        $this->unit = $rule->frequency->unitSeconds() ?? 1;
        $this->origin = CivilDate::floorDiv($start, $this->unit);
        $this->within = $this->secondsWithin();
    }

    /** The first period that ends after a wall time. */
    public function periodFrom(int $seconds): int
    {
        return $this->periodAtOrAfter(CivilDate::floorDiv($seconds, $this->unit));
    }

    /**
     * @return array{int, int} the period to go on from, and how many instances come before it; the start, where only
     *                         walking could tell
     */
    public function jumpCounting(int $from): array
    {
        $rule = $this->rule;
        $limited = $rule->byHour !== [] || ! $this->selector->allowsAll()
            || ($this->unit < 3600 && $rule->byMinute !== []) || ($this->unit === 1 && $rule->bySecond !== []);
        $period = $this->periodFrom($from);
        if ($limited || $period < 1) {
            return [0, 0];
        }

        return [$period, count($this->instancesOf(0)) + ($period - 1) * count($this->within)];
    }

    /**
     * The instances of each period that has some, for as long as periods begin before $to.
     *
     * @return Generator<int, list<int>>
     */
    public function periods(int $period, int $to): Generator
    {
        $hours = array_fill_keys($this->rule->byHour, true);
        $minutes = $this->unit < 3600 ? array_fill_keys($this->rule->byMinute, true) : [];
        $seconds = $this->unit === 1 ? array_fill_keys(array_map(static fn (int $second): int => min($second, 59), $this->rule->bySecond), true) : [];
        if ($this->within === []) {
            return;
        }
        $day = null;
        $dayAllowed = false;
        $daysRefused = 0;
        while ($this->budget->spend()) {
            $begins = ($this->origin + $period * $this->rule->interval) * $this->unit;
            if ($begins >= $to) {
                return;
            }
            $today = CivilDate::floorDiv($begins, CivilDate::SECONDS_PER_DAY);
            if ($today !== $day) {
                $day = $today;
                $dayAllowed = $this->selector->allows($day);
                $daysRefused = $dayAllowed ? 0 : $daysRefused + 1;
                if ($daysRefused === 400 && $this->selector->isEmpty()) {
                    return;
                }
            }
            $second = $begins - $day * CivilDate::SECONDS_PER_DAY;
            $length = match (true) {
                ! $dayAllowed => CivilDate::SECONDS_PER_DAY,
                $hours !== [] && ! isset($hours[intdiv($second, 3600)]) => 3600,
                $minutes !== [] && ! isset($minutes[intdiv($second % 3600, 60)]) => 60,
                $seconds !== [] && ! isset($seconds[$second % 60]) => 1,
                default => 0,
            };
            if ($length > 0) {
                // The day, hour, minute or second at hand is left behind whole.
                $next = $begins - $second % $length + $length;
                $period = max($period + 1, $this->periodAtOrAfter(intdiv($next, $this->unit)));

                continue;
            }
            yield $this->instancesOf($period++);
            $this->budget->spend(count($this->within) - 1);
        }
    }

    /** @return list<int> the instances of an allowed period from DTSTART on, ascending */
    private function instancesOf(int $period): array
    {
        $begins = ($this->origin + $period * $this->rule->interval) * $this->unit;
        $instances = [];
        foreach ($this->within as $second) {
            if ($begins + $second >= $this->start) {
                $instances[] = $begins + $second;
            }
        }

        return $instances;
    }

    private function periodAtOrAfter(int $unit): int
    {
        return max(0, -CivilDate::floorDiv($this->origin - $unit, $this->rule->interval));
    }

    /** @return list<int> */
    private function secondsWithin(): array
    {
        $ofStart = (($this->start % 3600) + 3600) % 3600;
        $minutes = $this->unit < 3600 ? [0] : ($this->rule->byMinute === [] ? [intdiv($ofStart, 60)] : $this->rule->byMinute);
        $seconds = $this->unit === 1 ? [0] : ($this->rule->bySecond === [] ? [$ofStart % 60] : $this->rule->bySecond);
        $within = [];
        foreach ($minutes as $minute) {
            foreach ($seconds as $second) {
                $within[] = $minute * 60 + min($second, 59);
            }
        }
        $within = array_values(array_unique($within));

        return $this->rule->bySetPosition === [] ? $within : SetPositions::of($within, $this->rule->bySetPosition);
    }
}

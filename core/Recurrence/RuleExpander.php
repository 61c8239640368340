<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use Generator;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/**
 * The instances of one rule in wall time, ascending, each once.
 *
 * It jumps to the first period of the window by arithmetic. Only a rule with COUNT whose periods hold differing
 * numbers of instances is walked from its start. DTSTART itself is not treated specially here (see RecurrenceSet);
 * UNTIL is applied there too, as it may be an instant.
 *
 * Bounds: at most MAX_PERIODS periods and MAX_INSTANCES instances are worked out in one call; past them it ends.
 */
final readonly class RuleExpander
{
    public const MAX_PERIODS = 200_000;

    public const MAX_INSTANCES = 200_000;

    private DaySelector $selector;

    /** @var list<int> seconds of the day, ascending */
    private array $times;

    private int $startDay;

    public function __construct(private Rule $rule, private LocalDateTime $start, bool $datesOnly)
    {
        $this->startDay = $start->day();
        $this->selector = new DaySelector($rule, $this->startDay);
        $this->times = $datesOnly ? [0] : $this->timesOfDay();
    }

    /**
     * @param  int  $from  local seconds, inclusive
     * @param  int  $to  local seconds, exclusive
     * @return Generator<int, int> local seconds (see LocalDateTime)
     */
    public function between(int $from, int $to): Generator
    {
        $start = $this->start->seconds;
        $count = $this->rule->count;
        $period = 0;
        $passed = 0;
        if ($from > $start) {
            $jump = max(0, $this->periodOf(CivilDate::floorDiv($from, CivilDate::SECONDS_PER_DAY)) - 1);
            if ($count === null) {
                $period = $jump;
            } elseif (($perPeriod = $this->constantYield()) !== null && $jump > 1) {
                $passed = count($this->instances(0, $start)) + ($jump - 1) * $perPeriod;
                $period = $jump;
            }
        }
        $yielded = 0;
        for ($step = 0; $step < self::MAX_PERIODS; $step++, $period++) {
            if ($this->periodStart($period) >= $to || ($count !== null && $passed >= $count)) {
                return;
            }
            foreach ($this->instances($period, $start) as $instance) {
                if ($instance >= $to || ($count !== null && $passed >= $count)) {
                    return;
                }
                $passed++;
                if ($instance >= $from) {
                    yield $instance;
                    if (++$yielded >= self::MAX_INSTANCES) {
                        return;
                    }
                }
            }
        }
    }

    /** How many instances each full period holds, where that is the same for all and known without looking. */
    private function constantYield(): ?int
    {
        $rule = $this->rule;
        if ($rule->byMonth !== [] || $rule->byMonthDay !== [] || $rule->byYearDay !== [] || $rule->bySetPosition !== [] || $rule->byWeekNumber !== []) {
            return null;
        }

        return match ($rule->frequency) {
            Frequency::Weekly => max(1, count($rule->byDay)) * count($this->times),
            Frequency::Daily => $rule->byDay === [] ? count($this->times) : null,
            default => null,
        };
    }

    /** The last period that begins on or before a day, counted from the one that holds DTSTART. */
    private function periodOf(int $day): int
    {
        [$year, $month] = CivilDate::fromDays($day);
        [$startYear, $startMonth] = CivilDate::fromDays($this->startDay);
        $units = match ($this->rule->frequency) {
            Frequency::Yearly => $year - $startYear,
            Frequency::Monthly => ($year - $startYear) * 12 + $month - $startMonth,
            Frequency::Weekly => CivilDate::floorDiv($day - $this->firstWeek(), 7),
            // Periods shorter than a day are taken a day at a time.
            default => $day - $this->startDay,
        };

        return CivilDate::floorDiv($units, $this->daysOrPeriods());
    }

    private function daysOrPeriods(): int
    {
        return $this->rule->frequency->isSubDaily() ? 1 : $this->rule->interval;
    }

    /** A time that no instance of this period or a later one comes before, local seconds. */
    private function periodStart(int $period): int
    {
        [$year, $month] = CivilDate::fromDays($this->startDay);
        $units = $period * $this->daysOrPeriods();
        $day = match ($this->rule->frequency) {
            // A numbered week may begin in the year before.
            Frequency::Yearly => CivilDate::toDays($year + $units, 1, 1) - ($this->rule->byWeekNumber === [] ? 0 : 6),
            Frequency::Monthly => CivilDate::toDays($year + intdiv($month - 1 + $units, 12), ($month - 1 + $units) % 12 + 1, 1),
            Frequency::Weekly => $this->firstWeek() + $units * 7,
            default => $this->startDay + $units,
        };

        return $day * CivilDate::SECONDS_PER_DAY;
    }

    private function firstWeek(): int
    {
        return $this->startDay - (CivilDate::weekday($this->startDay) - $this->rule->weekStart + 7) % 7;
    }

    /** @return list<int> the instances of a period from DTSTART on, ascending */
    private function instances(int $period, int $start): array
    {
        if ($this->rule->frequency->isSubDaily()) {
            $instances = $this->withinDay($this->startDay + $period);
        } else {
            $instances = [];
            foreach ($this->days($period) as $day) {
                foreach ($this->times as $time) {
                    $instances[] = $day * CivilDate::SECONDS_PER_DAY + $time;
                }
            }
            $instances = $this->positions($instances);
        }

        return $instances !== [] && $instances[0] < $start
            ? array_values(array_filter($instances, static fn (int $instance): bool => $instance >= $start))
            : $instances;
    }

    /** @return list<int> */
    private function days(int $period): array
    {
        [$year, $month] = CivilDate::fromDays($this->startDay);
        $units = $period * $this->rule->interval;

        return match ($this->rule->frequency) {
            Frequency::Yearly => $this->selector->inYear($year + $units),
            Frequency::Monthly => $this->selector->inMonth($year + intdiv($month - 1 + $units, 12), ($month - 1 + $units) % 12 + 1),
            Frequency::Weekly => $this->selector->inWeek($this->firstWeek() + $units * 7),
            default => $this->selector->allows($this->startDay + $units) ? [$this->startDay + $units] : [],
        };
    }

    /**
     * The instances of an HOURLY, MINUTELY or SECONDLY rule on one day.
     *
     * @return list<int>
     */
    private function withinDay(int $day): array
    {
        $unit = $this->rule->frequency->unitSeconds();
        if ($unit === null || ! $this->selector->allows($day)) {
            return [];
        }
        $origin = CivilDate::floorDiv($this->start->seconds, $unit);
        $firstUnit = intdiv($day * CivilDate::SECONDS_PER_DAY, $unit);
        $lastUnit = $firstUnit + intdiv(CivilDate::SECONDS_PER_DAY, $unit) - 1;
        $current = max($origin, $origin + (int) ceil(($firstUnit - $origin) / $this->rule->interval) * $this->rule->interval);
        $hours = array_fill_keys($this->rule->byHour, true);
        $minutes = array_fill_keys($this->rule->byMinute, true);
        $seconds = array_fill_keys($this->rule->bySecond, true);
        $startSecond = $this->start->secondOfDay();
        $instances = [];
        for (; $current <= $lastUnit; $current += $this->rule->interval) {
            $second = $current * $unit - $day * CivilDate::SECONDS_PER_DAY;
            if ($hours !== [] && ! isset($hours[intdiv($second, 3600)])) {
                continue;
            }
            if ($unit < 3600 && $minutes !== [] && ! isset($minutes[intdiv($second % 3600, 60)])) {
                continue;
            }
            if ($unit === 1) {
                if ($seconds === [] || isset($seconds[$second % 60])) {
                    array_push($instances, ...$this->positions([$current]));
                }

                continue;
            }
            $within = [];
            $minuteList = $unit === 60 ? [0] : ($this->rule->byMinute === [] ? [intdiv($startSecond % 3600, 60)] : $this->rule->byMinute);
            foreach ($minuteList as $minute) {
                foreach ($this->rule->bySecond === [] ? [$startSecond % 60] : $this->rule->bySecond as $each) {
                    $within[] = $current * $unit + $minute * 60 + min($each, 59);
                }
            }
            array_push($instances, ...$this->positions($within));
        }

        return $instances;
    }

    /**
     * BYSETPOS over the set of one period.
     *
     * @param  list<int>  $set  ascending
     * @return list<int>
     */
    private function positions(array $set): array
    {
        if ($this->rule->bySetPosition === []) {
            return $set;
        }
        $kept = [];
        foreach ($this->rule->bySetPosition as $position) {
            $index = $position > 0 ? $position - 1 : count($set) + $position;
            if (isset($set[$index])) {
                $kept[$index] = $set[$index];
            }
        }
        sort($kept);

        return $kept;
    }

    /** @return list<int> */
    private function timesOfDay(): array
    {
        $second = $this->start->secondOfDay();
        $times = [];
        foreach ($this->rule->byHour === [] ? [intdiv($second, 3600)] : $this->rule->byHour as $hour) {
            foreach ($this->rule->byMinute === [] ? [intdiv($second % 3600, 60)] : $this->rule->byMinute as $minute) {
                foreach ($this->rule->bySecond === [] ? [$second % 60] : $this->rule->bySecond as $each) {
                    $times[] = $hour * 3600 + $minute * 60 + min($each, 59);
                }
            }
        }
        $times = array_values(array_unique($times));
        sort($times);

        return $times;
    }
}

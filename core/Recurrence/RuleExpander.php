<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use Generator;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/**
 * The instances of one rule from DTSTART on, in wall time, ascending, each once (RFC 5545, 3.3.10).
 *
 * It jumps to the first period of the window by arithmetic. A rule with COUNT jumps too where every period holds as
 * many instances (PeriodYield); any other is walked from its start. DTSTART counts as the first occurrence: where the
 * rule does not produce it, it takes one of the COUNT all the same, though it is not among the instances told here
 * (RecurrenceSet adds it). UNTIL is applied in RecurrenceSet, as it may be an instant.
 *
 * Bounds: one call looks at MAX_STEPS periods and instances at most, and yields MAX_INSTANCES; past either it ends.
 * The Gregorian calendar repeats every 400 years, so a rule that yields nothing for that long is known to be at its
 * end; one whose days do not exist at all, such as 30 February, after a few periods.
 */
final class RuleExpander
{
    public const MAX_STEPS = 500_000;

    public const MAX_INSTANCES = 200_000;

    /** Instances of an even rule that are worked out at a time. */
    private const BATCH = 64;

    /** Empty periods before it is asked whether the rule selects any day at all. */
    private const PATIENCE = 12;

    private readonly Rule $rule;

    private readonly DaySelector $selector;

    /** @var list<int> seconds of the day, ascending */
    private readonly array $times;

    private readonly int $startDay;

    private readonly int $startSeconds;

    private readonly int $startYear;

    private readonly int $startMonth;

    private readonly int $firstWeek;

    private StepBudget $budget;

    /** @param  ?WorkBudget  $work  of all that is worked out along with it */
    public function __construct(Rule $rule, LocalDateTime $start, bool $datesOnly, private readonly ?WorkBudget $work = null)
    {
        $this->rule = self::asWeekly($rule);
        $this->startDay = $start->day();
        $this->startSeconds = $start->seconds;
        [$this->startYear, $this->startMonth] = CivilDate::fromDays($this->startDay);
        $this->firstWeek = $this->startDay - (CivilDate::weekday($this->startDay) - $this->rule->weekStart + 7) % 7;
        $this->selector = new DaySelector($this->rule, $this->startDay);
        $this->times = $datesOnly ? [0] : $this->timesOfDay($start->secondOfDay());
        $this->budget = new StepBudget(self::MAX_STEPS, $this->work);
    }

    /** How many steps the last call took. */
    public function steps(): int
    {
        return $this->budget->spent();
    }

    /**
     * @param  int  $from  local seconds, inclusive
     * @param  int  $to  local seconds, exclusive
     * @return list<int> local seconds (see LocalDateTime)
     */
    public function between(int $from, int $to): array
    {
        $this->budget = new StepBudget(self::MAX_STEPS, $this->work);
        $clock = $this->rule->frequency->isSubDaily() ? new ClockWalk($this->rule, $this->startSeconds, $this->selector, $this->budget) : null;
        $atStart = $from <= $this->startSeconds;
        if ($this->rule->count === null) {
            $period = $atStart ? 0 : ($clock === null ? max(0, $this->periodOf($from) - 1) : $clock->periodFrom($from));
            $offsets = $clock === null ? $this->evenOffsets() : null;
            if ($offsets !== null) {
                return $this->collectEven($offsets, $period, $from, $to);
            }

            return $this->collect($clock, $period, $from, $to, PHP_INT_MAX);
        }
        $left = $this->rule->count - ($this->producesStart($clock) ? 0 : 1);
        [$period, $passed] = $atStart ? [0, 0] : ($clock === null ? $this->jumpCounting($from) : $clock->jumpCounting($from));

        return $left <= $passed ? [] : $this->collect($clock, $period, $from, $to, $left - $passed);
    }

    /** Whether DTSTART itself is an instance of the rule. */
    private function producesStart(?ClockWalk $clock): bool
    {
        return ($this->collect($clock, 0, $this->startSeconds, $this->startSeconds + 1, 1)[0] ?? null) === $this->startSeconds;
    }

    /** @return array{int, int} the period to go on from, and how many instances come before it */
    private function jumpCounting(int $from): array
    {
        $period = $this->periodOf($from) - 1;
        $each = $period > 1 ? PeriodYield::of($this->rule, $this->startDay, count($this->times)) : null;
        if ($each === null) {
            return [0, 0];
        }

        return [$period, count($this->instancesOf(0)) + ($period - 1) * $each];
    }

    /**
     * The instances from a period on that are in [$from, $to); the first $most that the rule has from there count.
     *
     * @return list<int>
     */
    private function collect(?ClockWalk $clock, int $period, int $from, int $to, int $most): array
    {
        $found = [];
        foreach ($clock === null ? $this->periods($period, $to) : $clock->periods($period, $to) as $instances) {
            foreach ($instances as $instance) {
                if ($instance >= $to || $most-- <= 0) {
                    return $found;
                }
                if ($instance >= $from) {
                    $found[] = $instance;
                }
            }
            if (count($found) >= self::MAX_INSTANCES) {
                return array_slice($found, 0, self::MAX_INSTANCES);
            }
        }

        return $found;
    }

    /**
     * The instances from a period on that are in [$from, $to), of a rule that is even and is not counted.
     *
     * @param  list<int>  $offsets
     * @return list<int>
     */
    private function collectEven(array $offsets, int $period, int $from, int $to): array
    {
        [$begins, $length] = $this->evenFrom($period);
        $from = max($from, $this->startSeconds);
        $found = [];
        while ($offsets !== [] && $begins < $to && count($found) < self::MAX_INSTANCES && $this->budget->spend(self::BATCH)) {
            for ($size = 0; $size < self::BATCH && $begins < $to; $begins += $length) {
                foreach ($offsets as $offset) {
                    $size++;
                    $at = $begins + $offset;
                    if ($at >= $from && $at < $to) {
                        $found[] = $at;
                    }
                }
            }
        }

        return count($found) > self::MAX_INSTANCES ? array_slice($found, 0, self::MAX_INSTANCES) : $found;
    }

    /** @return array{int, int} when a period of an even rule begins, local seconds, and after how long the next does */
    private function evenFrom(int $period): array
    {
        $weekly = $this->rule->frequency === Frequency::Weekly;
        $length = $this->rule->interval * ($weekly ? 7 : 1) * CivilDate::SECONDS_PER_DAY;

        return [($weekly ? $this->firstWeek : $this->startDay) * CivilDate::SECONDS_PER_DAY + $period * $length, $length];
    }

    /**
     * The instances of each period that has some, for as long as periods begin before $to.
     *
     * @return Generator<int, list<int>>
     */
    private function periods(int $period, int $to): Generator
    {
        $offsets = $this->evenOffsets();
        if ($offsets !== null) {
            yield from $this->evenPeriods($offsets, $period, $to);

            return;
        }
        $empty = 0;
        $cycle = $this->periodsInCycle();
        while ($this->budget->spend() && $this->periodStart($period) < $to) {
            $instances = $this->instancesOf($period++);
            if ($instances !== []) {
                $empty = 0;
                yield $instances;
                $this->budget->spend(count($instances));
            } elseif (++$empty > $cycle || ($empty === self::PATIENCE && $this->selector->isEmpty())) {
                return;
            }
        }
    }

    /**
     * The seconds after the start of each period at which instances lie, where they are the same in all: most rules
     * that people make are so even, and are worked out without asking anything of the calendar.
     *
     * @return ?list<int>
     */
    private function evenOffsets(): ?array
    {
        $days = match (true) {
            $this->rule->frequency === Frequency::Daily && $this->selector->allowsAll() => [0],
            $this->rule->frequency === Frequency::Weekly && $this->rule->byMonth === [] => array_map(fn (int $day): int => $day - $this->firstWeek, $this->selector->inWeek($this->firstWeek)),
            default => null,
        };

        return $days === null ? null : $this->positions($this->atTimes($days));
    }

    /**
     * @param  list<int>  $offsets
     * @return Generator<int, list<int>>
     */
    private function evenPeriods(array $offsets, int $period, int $to): Generator
    {
        [$begins, $length] = $this->evenFrom($period);
        $start = $this->startSeconds;
        for (; $offsets !== [] && $begins < $to && $this->budget->spend(self::BATCH);) {
            $batch = [];
            for ($size = 0; $size < self::BATCH && $begins < $to; $begins += $length) {
                foreach ($offsets as $offset) {
                    $size++;
                    if ($begins + $offset >= $start) {
                        $batch[] = $begins + $offset;
                    }
                }
            }
            yield $batch;
        }
    }

    /** How many periods there are before the calendar repeats: 400 years have 20,871 whole weeks. */
    private function periodsInCycle(): int
    {
        return match ($this->rule->frequency) {
            Frequency::Yearly => 400,
            Frequency::Monthly => 4800,
            Frequency::Weekly => 20_871,
            default => 146_097,
        };
    }

    /** The last period that begins on or before a wall time, counted from the one that holds DTSTART. */
    private function periodOf(int $seconds): int
    {
        $day = CivilDate::floorDiv($seconds, CivilDate::SECONDS_PER_DAY);
        if ($this->rule->frequency === Frequency::Weekly || $this->rule->frequency === Frequency::Daily) {
            $units = $this->rule->frequency === Frequency::Daily ? $day - $this->startDay : CivilDate::floorDiv($day - $this->firstWeek, 7);
        } else {
            [$year, $month] = CivilDate::fromDays($day);
            $units = $this->rule->frequency === Frequency::Yearly
                ? $year - $this->startYear
                : ($year - $this->startYear) * 12 + $month - $this->startMonth;
        }

        return CivilDate::floorDiv($units, $this->rule->interval);
    }

    /** A time that no instance of this period or a later one comes before, local seconds. */
    private function periodStart(int $period): int
    {
        $units = $period * $this->rule->interval;

        return CivilDate::SECONDS_PER_DAY * match ($this->rule->frequency) {
            Frequency::Daily => $this->startDay + $units,
            Frequency::Weekly => $this->firstWeek + $units * 7,
            Frequency::Monthly => CivilDate::toDays($this->startYear + intdiv($this->startMonth - 1 + $units, 12), ($this->startMonth - 1 + $units) % 12 + 1, 1),
            // A numbered week may begin in the year before.
            default => CivilDate::toDays($this->startYear + $units, 1, 1) - ($this->rule->byWeekNumber === [] ? 0 : 6),
        };
    }

    /** @return list<int> the instances of a period from DTSTART on, ascending */
    private function instancesOf(int $period): array
    {
        $days = $this->days($period * $this->rule->interval);
        // With one time a day, what is chosen of the times is chosen of the days.
        $instances = isset($this->times[1]) ? $this->positions($this->atTimes($days)) : $this->atTimes($this->positions($days));
        $start = $this->startSeconds;

        return $instances !== [] && $instances[0] < $start
            ? array_values(array_filter($instances, static fn (int $instance): bool => $instance >= $start))
            : $instances;
    }

    /**
     * @param  list<int>  $days
     * @return list<int> seconds
     */
    private function atTimes(array $days): array
    {
        $instances = [];
        if (! isset($this->times[1])) {
            foreach ($days as $day) {
                $instances[] = $day * CivilDate::SECONDS_PER_DAY + $this->times[0];
            }

            return $instances;
        }
        foreach ($days as $day) {
            foreach ($this->times as $time) {
                $instances[] = $day * CivilDate::SECONDS_PER_DAY + $time;
            }
        }

        return $instances;
    }

    /**
     * @param  list<int>  $instances
     * @return list<int>
     */
    private function positions(array $instances): array
    {
        return $this->rule->bySetPosition === [] ? $instances : SetPositions::of($instances, $this->rule->bySetPosition);
    }

    /** @return list<int> */
    private function days(int $units): array
    {
        return match ($this->rule->frequency) {
            Frequency::Daily => $this->selector->allows($this->startDay + $units) ? [$this->startDay + $units] : [],
            Frequency::Weekly => $this->selector->inWeek($this->firstWeek + $units * 7),
            Frequency::Monthly => $this->selector->inMonth($this->startYear + intdiv($this->startMonth - 1 + $units, 12), ($this->startMonth - 1 + $units) % 12 + 1),
            default => $this->selector->inYear($this->startYear + $units),
        };
    }

    /** Every day that falls on some weekdays is every week on them, which is fewer periods and as many in each. */
    private static function asWeekly(Rule $rule): Rule
    {
        return $rule->frequency === Frequency::Daily && $rule->interval === 1 && $rule->byDay !== [] && $rule->byMonthDay === [] && $rule->bySetPosition === []
            ? new Rule(Frequency::Weekly, 1, $rule->count, $rule->until, $rule->weekStart, $rule->bySecond, $rule->byMinute, $rule->byHour, $rule->byDay, byMonth: $rule->byMonth)
            : $rule;
    }

    /** @return list<int> */
    private function timesOfDay(int $second): array
    {
        $times = [];
        foreach ($this->rule->byHour === [] ? [intdiv($second, 3600)] : $this->rule->byHour as $hour) {
            foreach ($this->rule->byMinute === [] ? [intdiv($second % 3600, 60)] : $this->rule->byMinute as $minute) {
                foreach ($this->rule->bySecond === [] ? [$second % 60] : $this->rule->bySecond as $each) {
                    // A leap second is told as the one before it, as everywhere here.
                    $times[] = $hour * 3600 + $minute * 60 + min($each, 59);
                }
            }
        }
        $times = array_values(array_unique($times));
        sort($times);

        return $times;
    }
}

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
    /** Leaps in a row, or days refused, before it is asked whether anything can come at all. */
    private const PATIENCE = 100;

    private int $unit;

    /** The unit that holds DTSTART, counted from 1970. */
    private int $origin;

    /** @var list<int> seconds after the start of a period at which its instances lie */
    private array $within;

    /** @var ?array<int, int> the first allowed hour from each on (24 for none), where some are not allowed */
    private ?array $nextHour;

    /** @var ?array<int, int> likewise minutes of an hour, where they limit and do not expand */
    private ?array $nextMinute;

    /** @var ?array<int, int> likewise seconds of a minute */
    private ?array $nextSecond;

    public function __construct(private Rule $rule, private int $start, private DaySelector $selector, private StepBudget $budget)
    {
        $this->unit = $rule->frequency->unitSeconds() ?? 1;
        $this->origin = CivilDate::floorDiv($start, $this->unit);
        $this->within = $this->secondsWithin();
        $this->nextHour = self::following($rule->byHour, 24);
        $this->nextMinute = $this->unit < 3600 ? self::following($rule->byMinute, 60) : null;
        // A leap second is told as the one before it, as everywhere here.
        $this->nextSecond = $this->unit === 1 ? self::following(array_map(static fn (int $second): int => min($second, 59), $rule->bySecond), 60) : null;
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
        if ($this->within === []) {
            return;
        }
        $day = null;
        $dayAllowed = false;
        $leaps = $daysRefused = 0;
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
            }
            $second = $begins - $day * CivilDate::SECONDS_PER_DAY;
            $allowed = $dayAllowed ? $this->nextAllowed($second) : CivilDate::SECONDS_PER_DAY;
            if ($allowed > $second) {
                $leaps++;
                if (($leaps === self::PATIENCE && $this->missesAlways()) || ($daysRefused === self::PATIENCE && $this->selector->isEmpty())) {
                    return;
                }
                $period = max($period + 1, $this->periodAtOrAfter(intdiv($day * CivilDate::SECONDS_PER_DAY + $allowed, $this->unit)));

                continue;
            }
            $leaps = 0;
            yield $this->instancesOf($period++);
            $this->budget->spend(count($this->within) - 1);
        }
    }

    /** The first second of the day, from this one on, in an allowed hour, minute and second; the day's length where there is none. */
    private function nextAllowed(int $second): int
    {
        $hour = intdiv($second, 3600);
        $minute = intdiv($second % 3600, 60);
        $ofMinute = $second % 60;
        if ($this->nextSecond !== null && $this->nextSecond[$ofMinute] !== $ofMinute) {
            $ofMinute = $this->nextSecond[$ofMinute];
            if ($ofMinute === 60) {
                $ofMinute = $this->nextSecond[0];
                $minute++;
            }
        }
        if ($this->nextMinute !== null && ($minute === 60 || $this->nextMinute[$minute] !== $minute)) {
            $minute = $minute === 60 ? 60 : $this->nextMinute[$minute];
            $ofMinute = $this->nextSecond[0] ?? 0;
            if ($minute === 60) {
                $minute = $this->nextMinute[0];
                $hour++;
            }
        } elseif ($minute === 60) {
            $minute = 0;
            $hour++;
        }
        if ($this->nextHour !== null && ($hour === 24 || $this->nextHour[$hour] !== $hour)) {
            $hour = $hour === 24 ? 24 : $this->nextHour[$hour];
            $minute = $this->nextMinute[0] ?? 0;
            $ofMinute = $this->nextSecond[0] ?? 0;
        }

        return $hour >= 24 ? CivilDate::SECONDS_PER_DAY : $hour * 3600 + $minute * 60 + $ofMinute;
    }

    /**
     * Whether no period ever begins at an allowed time of day: periods begin at times of day that leave one rest when
     * divided by what the interval and the day have in common.
     */
    private function missesAlways(): bool
    {
        $common = self::commonDivisor($this->rule->interval * $this->unit, CivilDate::SECONDS_PER_DAY);
        $rest = (($this->origin * $this->unit) % $common + $common) % $common;
        for ($second = $this->nextAllowed(0); $second < CivilDate::SECONDS_PER_DAY; $second = $this->nextAllowed($second + 1)) {
            if ($second % $common === $rest) {
                return false;
            }
        }

        return true;
    }

    private static function commonDivisor(int $a, int $b): int
    {
        return $b === 0 ? $a : self::commonDivisor($b, $a % $b);
    }

    /**
     * For each number below $size the first allowed one from it on, or $size; null where all are allowed.
     *
     * @param  list<int>  $allowed
     * @return ?array<int, int>
     */
    private static function following(array $allowed, int $size): ?array
    {
        if ($allowed === []) {
            return null;
        }
        $allowed = array_fill_keys($allowed, true);
        $following = [];
        $next = $size;
        for ($number = $size - 1; $number >= 0; $number--) {
            $next = isset($allowed[$number]) ? $number : $next;
            $following[$number] = $next;
        }

        return $following;
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

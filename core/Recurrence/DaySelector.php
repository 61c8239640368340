<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;

/**
 * The days that a rule selects within one of its periods (RFC 5545, 3.3.10, the table of BYxxx parts).
 *
 * Parts that the rule leaves out come from the day of DTSTART. All days are day numbers (see CivilDate).
 */
final readonly class DaySelector
{
    /** @var array<int, true> */
    private array $months;

    /** @var array<int, true> weekdays without an ordinal, 0 is Monday */
    private array $weekdays;

    /** @var list<WeekdayRule> */
    private array $ordinals;

    /** @var list<int> */
    private array $monthDays;

    private bool $limits;

    public function __construct(private Rule $rule, int $startDay)
    {
        [, $month, $day] = CivilDate::fromDays($startDay);
        $months = $rule->byMonth;
        $monthDays = $rule->byMonthDay;
        $weekdays = $ordinals = [];
        foreach ($rule->byDay as $entry) {
            $entry->ordinal === 0 ? $weekdays[$entry->weekday] = true : $ordinals[] = $entry;
        }
        $picksDay = $rule->byDay !== [] || $monthDays !== [] || $rule->byYearDay !== [];
        if (! $picksDay) {
            if ($rule->frequency === Frequency::Weekly || $rule->byWeekNumber !== []) {
                $weekdays[CivilDate::weekday($startDay)] = true;
            } elseif ($rule->frequency === Frequency::Yearly) {
                $months = $months === [] ? [$month] : $months;
                $monthDays = [$day];
            } elseif ($rule->frequency === Frequency::Monthly) {
                $monthDays = [$day];
            }
        }
        $this->months = array_fill_keys($months, true);
        $this->weekdays = $weekdays;
        $this->ordinals = $ordinals;
        $this->monthDays = $monthDays;
        $this->limits = $months !== [] || $weekdays !== [] || $monthDays !== [] || $rule->byYearDay !== [];
    }

    /** Whether every day passes: for DAILY rules and shorter periods. */
    public function allowsAll(): bool
    {
        return ! $this->limits;
    }

    /**
     * Whether the rule selects no day in any year: 28 years have every kind of year there is, by length and by the
     * weekday it begins on.
     */
    public function isEmpty(): bool
    {
        for ($year = 2001; $year <= 2028; $year++) {
            $first = CivilDate::toDays($year, 1, 1);
            $days = match ($this->rule->frequency) {
                Frequency::Yearly => $this->inYear($year),
                Frequency::Monthly => array_merge(...array_map(fn (int $month): array => $this->inMonth($year, $month), range(1, 12))),
                default => $this->filter(range($first, CivilDate::toDays($year, 12, 31))),
            };
            if ($days !== []) {
                return false;
            }
        }

        return true;
    }

    /** @return list<int> ascending */
    public function inYear(int $year): array
    {
        $first = CivilDate::toDays($year, 1, 1);
        $last = CivilDate::toDays($year, 12, 31);
        if ($this->rule->byWeekNumber !== []) {
            return $this->filter($this->weekNumberDays($year));
        }
        if ($this->rule->byYearDay !== []) {
            $days = [];
            foreach ($this->rule->byYearDay as $number) {
                $day = $number > 0 ? $first + $number - 1 : $last + $number + 1;
                if ($day >= $first && $day <= $last) {
                    $days[] = $day;
                }
            }

            return $this->filter($days);
        }
        if ($this->monthDays !== [] || $this->months !== []) {
            $days = [];
            foreach ($this->months === [] ? range(1, 12) : array_keys($this->months) as $month) {
                array_push($days, ...$this->inMonth($year, $month));
            }
            sort($days);

            return $this->monthDays !== [] && $this->months === [] && $this->ordinals !== []
                ? array_values(array_intersect($days, $this->weekdayDays($first, $last)))
                : $days;
        }

        return $this->weekdayDays($first, $last);
    }

    /** @return list<int> ascending */
    public function inMonth(int $year, int $month): array
    {
        if ($this->months !== [] && ! isset($this->months[$month])) {
            return [];
        }
        $first = CivilDate::toDays($year, $month, 1);
        $last = $first + CivilDate::daysInMonth($year, $month) - 1;
        if ($this->monthDays === []) {
            return $this->weekdayDays($first, $last);
        }
        $days = [];
        foreach ($this->monthDays as $number) {
            $day = $number > 0 ? $first + $number - 1 : $last + $number + 1;
            if ($day > $last) {
                $day = $this->rule->skip->insteadOfAfter($last) ?? 0;
            }
            if ($day >= $first) {
                $days[] = $day;
            }
        }
        // Ordinals count within the year where a yearly rule names no month: inYear() sees to those.
        $ordinalsHere = $this->ordinals !== [] && ($this->rule->frequency === Frequency::Monthly || $this->months !== []);
        if ($ordinalsHere) {
            $days = array_intersect($days, $this->weekdayDays($first, $last));
        } elseif ($this->ordinals === [] && $this->weekdays !== []) {
            $days = array_filter($days, fn (int $day): bool => isset($this->weekdays[CivilDate::weekday($day)]));
        }
        $days = array_unique($days);
        sort($days);

        return $days;
    }

    /** @return list<int> ascending, the days of the week that begins on this day */
    public function inWeek(int $firstDay): array
    {
        return $this->filter(range($firstDay, $firstDay + 6));
    }

    /** Whether a day passes every part of the rule that limits days: for DAILY rules and shorter periods. */
    public function allows(int $day): bool
    {
        return ! $this->limits || $this->filter([$day]) !== [];
    }

    /**
     * @param  list<int>  $days
     * @return list<int> ascending, each once
     */
    private function filter(array $days): array
    {
        $kept = [];
        foreach ($days as $day) {
            if ($this->weekdays !== [] && $this->ordinals === [] && ! isset($this->weekdays[CivilDate::weekday($day)])) {
                continue;
            }
            if ($this->months !== [] || $this->monthDays !== [] || $this->rule->byYearDay !== []) {
                [$year, $month, $number] = CivilDate::fromDays($day);
                if ($this->months !== [] && ! isset($this->months[$month])) {
                    continue;
                }
                if ($this->monthDays !== []
                    && ! in_array($number, $this->monthDays, true)
                    && ! in_array($number - CivilDate::daysInMonth($year, $month) - 1, $this->monthDays, true)) {
                    continue;
                }
                if ($this->rule->byYearDay !== []) {
                    $length = CivilDate::isLeapYear($year) ? 366 : 365;
                    $ofYear = $day - CivilDate::toDays($year, 1, 1) + 1;
                    if (! in_array($ofYear, $this->rule->byYearDay, true) && ! in_array($ofYear - $length - 1, $this->rule->byYearDay, true)) {
                        continue;
                    }
                }
            }
            $kept[$day] = $day;
        }
        if ($this->ordinals !== [] && $kept !== []) {
            $kept = array_intersect($kept, $this->numberedDays(CivilDate::fromDays(min($kept))[0]));
        }
        sort($kept);

        return $kept;
    }

    /**
     * The days that BYDAY names in a year: its numbers count within the month where BYMONTH stands, else within the year.
     *
     * @return list<int>
     */
    private function numberedDays(int $year): array
    {
        if ($this->months === []) {
            return $this->weekdayDays(CivilDate::toDays($year, 1, 1), CivilDate::toDays($year, 12, 31));
        }
        $days = [];
        foreach (array_keys($this->months) as $month) {
            $first = CivilDate::toDays($year, $month, 1);
            array_push($days, ...$this->weekdayDays($first, $first + CivilDate::daysInMonth($year, $month) - 1));
        }

        return $days;
    }

    /**
     * The days from first to last (both included) that BYDAY names; every day where there is no BYDAY.
     *
     * @return list<int> ascending
     */
    private function weekdayDays(int $first, int $last): array
    {
        if ($this->weekdays === [] && $this->ordinals === []) {
            return range($first, $last);
        }
        $days = [];
        if ($this->weekdays !== []) {
            $weekday = CivilDate::weekday($first);
            for ($day = $first; $day <= $last; $day++) {
                if (isset($this->weekdays[$weekday])) {
                    $days[] = $day;
                }
                $weekday = $weekday === 6 ? 0 : $weekday + 1;
            }
        }
        if ($this->ordinals === []) {
            return $days;
        }
        foreach ($this->ordinals as $entry) {
            $day = $entry->ordinal > 0
                ? $first + ($entry->weekday - CivilDate::weekday($first) + 7) % 7 + 7 * ($entry->ordinal - 1)
                : $last - (CivilDate::weekday($last) - $entry->weekday + 7) % 7 + 7 * ($entry->ordinal + 1);
            if ($day >= $first && $day <= $last) {
                $days[] = $day;
            }
        }
        if (count($days) > 1) {
            $days = array_values(array_unique($days));
            sort($days);
        }

        return $days;
    }

    /** @return list<int> the days of the numbered weeks; week 1 has at least four days in the year (WKST matters) */
    private function weekNumberDays(int $year): array
    {
        $firstWeek = $this->firstWeek($year);
        $weeks = intdiv($this->firstWeek($year + 1) - $firstWeek, 7);
        $days = [];
        foreach ($this->rule->byWeekNumber as $number) {
            $week = $number > 0 ? $number - 1 : $weeks + $number;
            if ($week >= 0 && $week < $weeks) {
                array_push($days, ...range($firstWeek + $week * 7, $firstWeek + $week * 7 + 6));
            }
        }

        return $days;
    }

    private function firstWeek(int $year): int
    {
        $fourth = CivilDate::toDays($year, 1, 4);

        return $fourth - (CivilDate::weekday($fourth) - $this->rule->weekStart + 7) % 7;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;

/**
 * How many instances each full period of a rule holds, where that is the same for all and known without looking:
 * with it COUNT is honoured by arithmetic. Parts that could select a day of the month or year twice, or one that some
 * periods lack, give no answer.
 */
final class PeriodYield
{
    /**
     * @param  int  $startDay  the day of DTSTART, for what the rule leaves out
     * @param  int  $times  how many times of day each selected day has
     */
    public static function of(Rule $rule, int $startDay, int $times): ?int
    {
        $days = self::daysEach($rule, $startDay);
        if ($rule->bySetPosition === []) {
            return $days === null ? null : $days * $times;
        }
        if ($days !== null) {
            return self::positionsWithin($rule->bySetPosition, $days * $times);
        }
        // Four of each weekday are in every month, 52 in every year: positions up to that many are there each time.
        $least = $times * match (true) {
            ! self::onlyPlainWeekdays($rule) => 0,
            $rule->frequency === Frequency::Monthly && $rule->byMonth === [] => 4 * count($rule->byDay),
            $rule->frequency === Frequency::Yearly => ($rule->byMonth === [] ? 52 : 4 * count($rule->byMonth)) * count($rule->byDay),
            default => 0,
        };

        return self::sameSignUpTo($rule->bySetPosition, $least) ? count($rule->bySetPosition) : null;
    }

    private static function daysEach(Rule $rule, int $startDay): ?int
    {
        return match ($rule->frequency) {
            Frequency::Daily => $rule->byDay === [] && $rule->byMonth === [] && $rule->byMonthDay === [] ? 1 : null,
            Frequency::Weekly => $rule->byMonth === [] ? max(1, count($rule->byDay)) : null,
            Frequency::Monthly => $rule->byMonth === [] ? self::daysOfMonth($rule, $startDay) : null,
            Frequency::Yearly => self::daysOfYear($rule, $startDay),
            default => null,
        };
    }

    private static function daysOfMonth(Rule $rule, int $startDay): ?int
    {
        if ($rule->byDay !== []) {
            return $rule->byMonthDay === [] ? self::ordinals($rule, 4) : null;
        }
        if ($rule->byMonthDay !== []) {
            return self::sameSignUpTo($rule->byMonthDay, 28) ? count($rule->byMonthDay) : null;
        }

        return CivilDate::fromDays($startDay)[2] <= 28 ? 1 : null;
    }

    private static function daysOfYear(Rule $rule, int $startDay): ?int
    {
        if ($rule->byWeekNumber !== []) {
            $plain = $rule->byMonth === [] && $rule->byMonthDay === [] && $rule->byYearDay === [];

            return $plain && self::sameSignUpTo($rule->byWeekNumber, 52) ? count($rule->byWeekNumber) * max(1, count($rule->byDay)) : null;
        }
        if ($rule->byYearDay !== []) {
            $plain = $rule->byMonth === [] && $rule->byMonthDay === [] && $rule->byDay === [];

            return $plain && self::sameSignUpTo($rule->byYearDay, 365) ? count($rule->byYearDay) : null;
        }
        if ($rule->byMonth === []) {
            if ($rule->byDay !== []) {
                return $rule->byMonthDay === [] ? self::ordinals($rule, 52) : null;
            }
            // Without BYMONTH, BYMONTHDAY holds in every month.
            $perMonth = self::daysOfMonth($rule, $startDay);

            return $rule->byMonthDay === [] ? $perMonth : ($perMonth === null ? null : 12 * $perMonth);
        }
        $perMonth = self::daysOfMonth($rule, $startDay);

        return $perMonth === null ? null : $perMonth * count($rule->byMonth);
    }

    private static function ordinals(Rule $rule, int $most): ?int
    {
        $ordinals = array_map(static fn (WeekdayRule $day): int => $day->ordinal, $rule->byDay);

        return self::sameSignUpTo($ordinals, $most) ? count($ordinals) : null;
    }

    private static function onlyPlainWeekdays(Rule $rule): bool
    {
        $numbered = array_filter($rule->byDay, static fn (WeekdayRule $day): bool => $day->ordinal !== 0);

        return $rule->byDay !== [] && $numbered === [] && $rule->byMonthDay === [] && $rule->byYearDay === [] && $rule->byWeekNumber === [];
    }

    /** @param  list<int>  $positions */
    private static function positionsWithin(array $positions, int $size): int
    {
        $indexes = [];
        foreach ($positions as $position) {
            $index = $position > 0 ? $position - 1 : $size + $position;
            if ($index >= 0 && $index < $size) {
                $indexes[$index] = true;
            }
        }

        return count($indexes);
    }

    /**
     * Whether all count from the same end and none farther than $most; 0 counts from neither.
     *
     * @param  list<int>  $numbers
     */
    private static function sameSignUpTo(array $numbers, int $most): bool
    {
        return $numbers !== [] && ((min($numbers) >= 1 && max($numbers) <= $most) || (max($numbers) <= -1 && min($numbers) >= -$most));
    }
}

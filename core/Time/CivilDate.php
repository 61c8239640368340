<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/**
 * Arithmetic on dates of the proleptic Gregorian calendar as day numbers.
 *
 * Day 0 is 1970-01-01. Nothing here knows a time zone.
 */
final class CivilDate
{
    public const SECONDS_PER_DAY = 86400;

    /** The day number of a date; month 1 to 12, day 1 to 31 (not checked against the month). */
    public static function toDays(int $year, int $month, int $day): int
    {
        // Years are counted from March, so that the leap day is the last of its year.
        $shifted = $month <= 2 ? $year - 1 : $year;
        $era = intdiv($shifted >= 0 ? $shifted : $shifted - 399, 400);
        $yearOfEra = $shifted - $era * 400;
        $dayOfYear = intdiv(153 * ($month + ($month > 2 ? -3 : 9)) + 2, 5) + $day - 1;
        $dayOfEra = $yearOfEra * 365 + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100) + $dayOfYear;

        return $era * 146097 + $dayOfEra - 719468;
    }

    /** @return array{int, int, int} year, month (1 to 12), day of the month (1 to 31) */
    public static function fromDays(int $days): array
    {
        $days += 719468;
        $era = intdiv($days >= 0 ? $days : $days - 146096, 146097);
        $dayOfEra = $days - $era * 146097;
        $yearOfEra = intdiv($dayOfEra - intdiv($dayOfEra, 1460) + intdiv($dayOfEra, 36524) - intdiv($dayOfEra, 146096), 365);
        $dayOfYear = $dayOfEra - (365 * $yearOfEra + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100));
        $shiftedMonth = intdiv(5 * $dayOfYear + 2, 153);
        $month = $shiftedMonth < 10 ? $shiftedMonth + 3 : $shiftedMonth - 9;

        return [
            $yearOfEra + $era * 400 + ($month <= 2 ? 1 : 0),
            $month,
            $dayOfYear - intdiv(153 * $shiftedMonth + 2, 5) + 1,
        ];
    }

    /** The weekday of a day number: 0 is Monday, 6 is Sunday. */
    public static function weekday(int $days): int
    {
        return (($days + 3) % 7 + 7) % 7;
    }

    /** The Monday on or before a day. */
    public static function monday(int $days): int
    {
        return $days - self::weekday($days);
    }

    public static function daysInMonth(int $year, int $month): int
    {
        return match ($month) {
            2 => self::isLeapYear($year) ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    public static function isLeapYear(int $year): bool
    {
        return ($year % 4 === 0 && $year % 100 !== 0) || $year % 400 === 0;
    }

    /** Integer division that rounds towards minus infinity; the divisor is positive. */
    public static function floorDiv(int $value, int $divisor): int
    {
        return intdiv($value - (($value % $divisor) + $divisor) % $divisor, $divisor);
    }
}

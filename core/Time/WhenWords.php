<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** When something is, in plain English, for letters: “Tue 1 December 2026, 14:00–15:00”, “Tue 1 – Thu 3 December 2026”. */
final class WhenWords
{
    private const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    private const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

    /**
     * @param  EventTime  $end  exclusive
     * @param  ?Zone  $zone  on whose wall a time is told that has a zone; null for its own
     */
    public static function between(EventTime $start, EventTime $end, ?Zone $zone = null): string
    {
        if ($start->kind === TimeKind::Date) {
            $last = max($start->local->day(), $end->local->day() - 1);

            return self::days($start->local->day(), $last);
        }
        [$from, $to] = [self::wall($start, $zone), self::wall($end, $zone)];
        if ($from->seconds === $to->seconds) {
            return self::day($from->day()).', '.self::clock($from);
        }
        // What ends at midnight is of the day before.
        if ($from->day() === $to->plusSeconds(-1)->day()) {
            return self::day($from->day()).', '.self::clock($from).'–'.self::clock($to);
        }

        return self::day($from->day()).', '.self::clock($from).' – '.self::day($to->day()).', '.self::clock($to);
    }

    /** “December 2026”, of the month of a day */
    public static function month(int $day): string
    {
        [$year, $month] = CivilDate::fromDays($day);

        return self::MONTHS[$month - 1]." {$year}";
    }

    /** “Tue 1 December 2026” */
    public static function day(int $day, bool $withYear = true): string
    {
        [$year, $month, $date] = CivilDate::fromDays($day);

        return self::DAYS[CivilDate::weekday($day)]." {$date} ".self::MONTHS[$month - 1].($withYear ? " {$year}" : '');
    }

    /** “9:00” */
    public static function clock(LocalDateTime $time): string
    {
        $seconds = $time->secondOfDay();

        return intdiv($seconds, 3600).':'.str_pad((string) (intdiv($seconds, 60) % 60), 2, '0', STR_PAD_LEFT);
    }

    private static function days(int $first, int $last): string
    {
        if ($first === $last) {
            return self::day($first);
        }
        [$year, $month, $date] = CivilDate::fromDays($first);
        [$lastYear, $lastMonth] = CivilDate::fromDays($last);
        $from = self::DAYS[CivilDate::weekday($first)]." {$date}".($month === $lastMonth && $year === $lastYear ? '' : ' '.self::MONTHS[$month - 1]).($year === $lastYear ? '' : " {$year}");

        return "{$from} – ".self::day($last);
    }

    private static function wall(EventTime $time, ?Zone $zone): LocalDateTime
    {
        return $zone === null || $time->zone === null ? $time->local : $time->inZone($zone)->local;
    }
}

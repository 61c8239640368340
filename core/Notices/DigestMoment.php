<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** When a digest comes: each day, or each week on one, at an hour of somebody’s clock, once on each such day also where that hour is skipped or comes twice. */
final class DigestMoment
{
    private const WEEK = 7;

    /** What was missed by so many hours comes with the next. */
    private const LATEST_HOURS = 12;

    /**
     * The day whose digest is due.
     *
     * @param  int  $now  UTC seconds
     * @param  ?int  $weekday  0 is Monday; null for each day
     * @param  ?int  $last  the day of the last, as CivilDate counts; null where there was none
     * @return ?int the day; null where none is due
     */
    public static function due(int $now, Zone $zone, int $hour, ?int $weekday, ?int $last): ?int
    {
        $today = (new LocalDateTime($zone->toLocal($now)))->day();
        for ($day = $today; $day >= $today - 1; $day--) {
            $moment = self::moment($day, $zone, $hour);
            if ($moment <= $now && $moment > $now - self::LATEST_HOURS * 3600 && ($weekday === null || CivilDate::weekday($day) === $weekday)) {
                return $last === null || $day > $last ? $day : null;
            }
        }

        return null;
    }

    /**
     * When the next one comes.
     *
     * @return int UTC seconds
     */
    public static function next(int $now, Zone $zone, int $hour, ?int $weekday): int
    {
        $today = (new LocalDateTime($zone->toLocal($now)))->day();
        for ($day = $today; $day < $today + self::WEEK; $day++) {
            if (self::moment($day, $zone, $hour) > $now && ($weekday === null || CivilDate::weekday($day) === $weekday)) {
                return self::moment($day, $zone, $hour);
            }
        }

        return self::moment($today + self::WEEK, $zone, $hour);
    }

    private static function moment(int $day, Zone $zone, int $hour): int
    {
        return $zone->toUtc(LocalDateTime::midnight($day)->seconds + $hour * 3600);
    }
}

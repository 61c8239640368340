<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;

/** A skipped or extra date of a series as people name it: by its day, where it is at the time of day of the series. */
final class SeriesDate
{
    /** `2027-03-24`, or with another time of day than the series has `2027-03-24T14:00`; on the wall of its zone. */
    public static function tell(EventTime $time, EventTime $start): string
    {
        $local = $time->kind === TimeKind::Zoned && $start->zone !== null ? $time->inZone($start->zone)->local : $time->local;
        $atStart = self::ofDay($local) === self::ofDay($start->local);

        return $time->kind === TimeKind::Date || $atStart ? $local->toDate() : $local->toMinute();
    }

    /** @throws InvalidTime where the text is no date and no time */
    public static function read(string $text, EventTime $start): EventTime
    {
        $local = LocalDateTime::parse($text);
        $named = strlen(trim($text)) > 10;

        return $start->at($named && $start->kind !== TimeKind::Date ? $local : new LocalDateTime($local->day() * CivilDate::SECONDS_PER_DAY + self::ofDay($start->local)));
    }

    /** @return int seconds from midnight */
    private static function ofDay(LocalDateTime $local): int
    {
        return $local->seconds - $local->day() * CivilDate::SECONDS_PER_DAY;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** When a reminder comes: hours and minutes before the start in exact time, whole days on the clock (RFC 5545, 3.3.6), also over a clock change. */
final class ReminderMoment
{
    private const DAY = 1440;

    /**
     * @param  LocalDateTime  $start  on the wall of whoever is reminded
     * @param  int  $minutes  before it, or before one leaves for it
     * @param  int  $travel  minutes that it takes to get there: what comes less than a day before comes so long before one leaves
     * @return int UTC seconds
     */
    public static function of(LocalDateTime $start, Zone $zone, int $minutes, int $travel = 0): int
    {
        // When it starts is when one leaves.
        return $minutes % self::DAY === 0 && ($minutes > 0 || $travel === 0)
            ? $zone->toUtc($start->plusDays(-intdiv($minutes, self::DAY))->seconds)
            : $zone->toUtc($start->seconds) - ($minutes + ($minutes < self::DAY ? $travel : 0)) * 60;
    }
}

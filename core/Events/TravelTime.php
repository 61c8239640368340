<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;

/** How long it takes to get to an event, in minutes: who is reminded of it is so in time to leave. What takes whole days has none. */
final class TravelTime
{
    /** A day. */
    public const MOST = 1440;

    private const PROPERTY = 'X-ROTA-TRAVEL';

    public static function of(Event $event): ?int
    {
        $written = OwnProperty::of($event, self::PROPERTY);
        if ($written === null || $event->timing->isAllDay()) {
            return null;
        }
        try {
            $duration = Duration::parse($written);
        } catch (InvalidTime) {
            return null;
        }
        $minutes = intdiv($duration->days * 86_400 + $duration->seconds, 60);

        return $minutes > 0 && $minutes <= self::MOST ? $minutes : null;
    }

    public static function put(Event $event, ?int $minutes): Event
    {
        return OwnProperty::put($event, self::PROPERTY, $minutes === null || $minutes === 0 ? null : "PT{$minutes}M");
    }
}

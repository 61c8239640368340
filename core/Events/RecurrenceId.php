<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/**
 * The name of an occurrence within its series: its original start (RFC 5545, 3.8.4.4) as text.
 *
 * `2026-11-02T09:30:00Z` for a zoned time, `2026-11-02T09:30:00` for a floating one, `2026-11-02` for a date.
 */
final class RecurrenceId
{
    public static function text(EventTime $time): string
    {
        return match ($time->kind) {
            TimeKind::Date => $time->local->toDate(),
            TimeKind::Floating => $time->local->toDateTime(),
            TimeKind::Zoned => (new LocalDateTime($time->indexSeconds()))->toDateTime().'Z',
        };
    }

    /** @throws InvalidTime */
    public static function parse(string $text): EventTime
    {
        $local = LocalDateTime::parse(rtrim($text, 'Z'));

        return match (true) {
            str_ends_with($text, 'Z') => EventTime::zoned($local, Zone::utc()),
            strlen($text) === 10 => EventTime::date($local),
            default => EventTime::floating($local),
        };
    }
}

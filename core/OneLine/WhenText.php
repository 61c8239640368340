<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use Closure;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/**
 * When an event is, typed anew: "Fri 9:30–11", "3 Dec to 5 Dec". A time alone stays on the day of the event, and a weekday is the next
 * one from there; what is said from now on ("tomorrow", "next week") is meant from today.
 */
final class WhenText
{
    private const NONE = 'x';

    private const FROM_TODAY = '/\b(?:today|tonight|tomorrow|now|next|this|in\s(?!the\b)|weekend|a\sweek\son)\b|day\sweek\b/ui';

    /**
     * @param  EventTime  $start  of the event as it is
     * @param  EventTime  $end  exclusive
     * @param  Zone  $wall  on whose wall the text is meant
     * @param  LocalDateTime  $now  the moment at which it is typed, on that wall
     * @param  Habits  $habits  of the writer’s organisation
     * @return array{EventTime, EventTime} start and end (exclusive), in the zone of the event where it has one
     *
     * @throws InvalidTime where the text says no time, or more than one
     */
    public static function read(string $text, EventTime $start, EventTime $end, Zone $wall, LocalDateTime $now, Habits $habits = new Habits): array
    {
        $onWall = $start->kind === TimeKind::Zoned ? $start->inZone($wall) : $start;
        $from = static fn (string $words): LocalDateTime => preg_match(self::FROM_TODAY, $words) === 1 ? $now : new LocalDateTime($onWall->local->day() * 86_400);
        $is = self::understood($text, $from($text), $habits);
        // From a time of one day to a time of another: each side says its own.
        if ($is === null && preg_match('/^(.+\d)\s(?:to|until|till|-|–|—)\s(.+)$/ui', trim($text), $sides) === 1) {
            [$first, $last] = [self::understood($sides[1], $from($sides[1]), $habits), self::understood($sides[2], $from($sides[2]), $habits)];
            if ($first?->start !== null && $last?->start !== null && ! $first->allDay && ! $last->allDay && $start->kind !== TimeKind::Date) {
                $make = self::maker($start, $wall);

                return [$make($first->start), $make($last->start)];
            }
        }
        if ($is === null || $is->start === null || $is->end === null) {
            throw new InvalidTime('“'.mb_strimwidth($text, 0, 60, '…').'” is no time that is understood here. Type it like “Fri 9:30–11” or “3 Dec to 5 Dec”.');
        }
        if ($is->allDay) {
            // A day alone moves the event there; its times stay.
            if ($start->kind !== TimeKind::Date && $is->end->seconds - $is->start->seconds === 86_400) {
                $by = $is->start->day() - $onWall->local->day();

                return [$start->at($start->local->plusDays($by)), $end->at($end->local->plusDays($by))];
            }

            return [EventTime::date($is->start), EventTime::date($is->end)];
        }
        $make = self::maker($start, $wall);
        $begins = $make($is->start);
        $saysEnd = preg_match('/[-–—]|\b(?:to|for|until|till)\b|\d\s?(?:h|m|min|hours?|minutes?)\b/ui', $text) === 1;

        // A start alone keeps the length.
        return [$begins, $saysEnd || $start->kind === TimeKind::Date ? $make($is->end) : $begins->at($begins->local->plusSeconds($end->local->seconds - $start->local->seconds))];
    }

    /** What a text means, where it is a time and nothing else. */
    private static function understood(string $text, LocalDateTime $midnight, Habits $habits): ?Understood
    {
        $is = OneLineReader::read(self::NONE.' '.trim($text), new Vocabulary([], [], [], [], []), $midnight, $habits);

        return $is->start === null || $is->end === null || $is->rule !== null || $is->title !== self::NONE ? null : $is;
    }

    /** @return Closure(LocalDateTime): EventTime */
    private static function maker(EventTime $start, Zone $wall): Closure
    {
        return static fn (LocalDateTime $local): EventTime => $start->kind === TimeKind::Floating
            ? EventTime::floating($local)
            : EventTime::zoned($local, $wall)->inZone($start->zone ?? $wall);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** When an event is that somebody is asked to, and what of it is another than they were told, in lines of plain English. */
final class ChangeWords
{
    /** “Tue 1 December 2026, 14:00–15:00, every week until Tue 15 December” */
    public static function when(Event $event, ?Zone $zone): string
    {
        $timing = $event->timing;
        $when = WhenWords::between($timing->start, $timing->end, $zone);
        $repeat = RecurrenceWords::of($timing->recurrence, $timing->start);

        return $repeat === '' ? $when : "{$repeat}, from {$when}";
    }

    /** @return list<string> what it was before, of what is another now; empty where there was nothing */
    public static function were(?Series $told, Series $now, ?Zone $zone): array
    {
        $lines = [];
        foreach ($now->events() as $event) {
            $before = $told === null ? null : self::before($told, $event);
            if ($before === null) {
                continue;
            }
            $lines = [...$lines, ...self::between($before, $event, $zone)];
        }

        return array_values(array_unique($lines));
    }

    private static function before(Series $told, Event $event): ?Event
    {
        if ($event->recurrenceId === null) {
            return $told->master;
        }
        $found = $told->find($event->recurrenceId);

        return $found === null ? null : OccurrenceChanges::single($found);
    }

    /** @return list<string> */
    private static function between(Event $before, Event $after, ?Zone $zone): array
    {
        $lines = [];
        $was = self::when($before, $zone);
        if ($was !== self::when($after, $zone)) {
            $lines[] = "It was {$was}.";
        }
        foreach (['title' => 'It was called', 'place' => 'It was at'] as $text => $words) {
            $written = trim($before->contents->texts()[$text]);
            if ($written !== trim($after->contents->texts()[$text]) && $written !== '') {
                $lines[] = "{$words} “{$written}”.";
            }
        }
        foreach (['description' => 'The text has changed.', 'link' => 'The link has changed.'] as $text => $words) {
            if (trim($before->contents->texts()[$text]) !== trim($after->contents->texts()[$text])) {
                $lines[] = $words;
            }
        }

        if (MeetingLink::of($before) !== MeetingLink::of($after)) {
            $lines[] = MeetingLink::of($after) === null ? 'It does not meet online any more.' : 'It meets online at another address.';
        }

        return $lines;
    }
}

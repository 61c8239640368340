<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

use Closure;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\Zone;

/**
 * What of a series one of those who are asked is told: the times to which they are asked, and of each when, where and what. Who else is
 * asked is not in it, nor what is for those who see the calendar: categories, reminders, what a file said beside, but for where it meets online.
 */
final class Invited
{
    /**
     * @param  Closure(Event): ?Participant  $asked  as whom they are asked to an event; null where they are not
     * @param  Participant  $organizer  as they are told who asks them
     * @param  AskWhen  $ofCalendar  from when on its calendar asks
     * @param  bool  $alsoProvisional  whether they are told of what is not settled, whatever it says: who was asked to it before
     * @return ?Series null where they are asked to nothing
     */
    public static function of(Series $series, Closure $asked, Participant $organizer, AskWhen $ofCalendar, bool $alsoProvisional = false): ?Series
    {
        $told = static fn (Event $event): ?Event => self::told($event, $asked, $organizer, $alsoProvisional || AskWhen::asks($event, $ofCalendar));
        $master = $series->master === null ? null : $told($series->master);
        $overrides = $skipped = [];
        foreach ($series->overrides as $override) {
            $each = $told($override);
            if ($each !== null) {
                $overrides[] = $each;
            } elseif ($override->recurrenceId !== null && ! $override->andFollowing) {
                $skipped[] = $override->recurrenceId;
            }
        }
        if ($master !== null && $skipped !== []) {
            $set = $master->timing->recurrence;
            $master = $master->repeating($set->put(skippedDates: [...$set->skippedDates, ...$skipped]));
        }

        return $master === null && $overrides === [] ? null : new Series($master, $overrides);
    }

    /** As it is kept, to be held against what is now. */
    public static function write(Series $invited): string
    {
        return CalendarWriter::text(new CalendarHead, [$invited]);
    }

    /** @throws NotICalendar */
    public static function read(string $written): ?Series
    {
        $master = null;
        $overrides = [];
        foreach (CalendarReader::ofText($written, new Diagnostics, Zone::utc())->events() as $event) {
            if ($event->recurrenceId === null) {
                $master ??= $event;
            } else {
                $overrides[RecurrenceId::text($event->recurrenceId)] ??= $event;
            }
        }

        return $master === null && $overrides === [] ? null : new Series($master, array_values($overrides));
    }

    /** @param  Closure(Event): ?Participant  $asked */
    private static function told(Event $event, Closure $asked, Participant $organizer, bool $asks): ?Event
    {
        $them = $asked($event);
        $contents = $event->contents;
        if ($them === null || $contents->status === Status::Cancelled || ! $asks) {
            return null;
        }

        $told = new Event(
            $event->uid, $event->timing,
            new EventContents($contents->title, $contents->place, $contents->description, $contents->link, $contents->status, $contents->busy, $contents->private),
            $event->recurrenceId, $event->andFollowing, $organizer,
            [new Participant($them->address, $them->name, $them->kind, $them->role, $them->answer, true, party: $them->party, note: $them->note, memberOf: $them->memberOf)],
            created: $event->created, stamp: $event->stamp, modified: $event->modified,
        );

        return MeetingLink::put($told, MeetingLink::of($event));
    }

    /** @return array<string, EventTime> the dates that are left out of it, by name */
    public static function skipped(?Event $master): array
    {
        $skipped = [];
        foreach ($master?->timing->recurrence->skippedDates ?? [] as $each) {
            $skipped[RecurrenceId::text($each)] = $each;
        }

        return $skipped;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Time\EventTime;

/**
 * What one of those who are asked has to be told, so that their diary has what is now (RFC 5546, 3.2): one message, of one method. Where
 * times of a series alone were changed, or alone were taken off, it has those; else all of the series.
 */
final readonly class InvitationMessage
{
    /**
     * @param  Series  $series  what the message holds
     * @param  bool  $asks  whether an answer is wanted: of somebody new, and where it is at another time
     * @param  ?Series  $known  what they know once they have it: where that is less than there is, another message is to follow
     */
    private function __construct(public Method $method, public Series $series, public bool $asks, public ?Series $known)
    {
    }

    /**
     * @param  ?Series  $told  what they were told last (see Invited)
     * @param  ?Series  $now  what they are asked to now
     * @return ?self null where they have all there is to know
     */
    public static function between(?Series $told, ?Series $now): ?self
    {
        if ($told === null || $now === null) {
            return match (true) {
                $now !== null => new self(Method::Request, $now, true, $now),
                $told !== null => self::cancel($told->master === null ? $told->overrides : [$told->master], null),
                default => null,
            };
        }
        // Who is asked to single times alone of what they were asked to as a whole: the whole is called off first.
        if ($told->master !== null && $now->master === null) {
            return self::cancel([$told->master], null);
        }
        $gone = $now->master === null ? array_diff_key(self::named($told), self::named($now)) : [];
        if ($gone !== []) {
            $left = array_values(array_diff_key(self::named($told), $gone));

            return self::cancel(array_values($gone), $left === [] ? null : new Series(null, $left));
        }
        [$skippedBefore, $skippedNow] = [Invited::skipped($told->master), Invited::skipped($now->master)];
        $off = array_diff_key($skippedNow, $skippedBefore);
        $back = array_diff_key($skippedBefore, $skippedNow);
        $changed = self::changed($told, $now);
        // A time that was another and is as the series has it again is not told by itself.
        $plain = array_diff_key(self::named($told), self::named($now), $off);
        $isMasterChanged = self::plain($told->master) !== self::plain($now->master);
        if (! $isMasterChanged && $back === [] && $plain === [] && ($off === [] || $changed === [])) {
            return match (true) {
                $off !== [] => self::cancel(array_map(static fn (EventTime $each): ?Event => self::at($told, $each), array_values($off)), $now),
                $changed !== [] => new self(Method::Request, new Series(null, array_values($changed)), self::isMoved($told, $now), $now),
                default => null,
            };
        }

        return new self(Method::Request, $now, self::isMoved($told, $now), $now);
    }

    /**
     * As their calendar takes it.
     *
     * @param  int  $sequence  higher than before where it is at another time, or called off (RFC 5546, 2.1.4)
     */
    public function text(int $sequence): string
    {
        $isOff = $this->method === Method::Cancel;
        $told = $this->series->each(static fn (Event $event): Event => $event->with(sequence: $sequence, contents: $isOff ? $event->contents->with(status: Status::Cancelled) : null));

        return CalendarWriter::text(new CalendarHead(more: [new Property('METHOD', $this->method->value)]), [$told]);
    }

    /** Whether its number is higher than that of the message before. */
    public function raises(): bool
    {
        return $this->asks || $this->method === Method::Cancel;
    }

    /** @param  array<?Event>  $events */
    private static function cancel(array $events, ?Series $known): ?self
    {
        $events = array_values(array_filter($events));
        $master = array_values(array_filter($events, static fn (Event $each): bool => $each->recurrenceId === null))[0] ?? null;

        return $events === [] ? null : new self(Method::Cancel, $master === null ? new Series(null, $events) : new Series($master), false, $known);
    }

    /** A time of a series as they were told it. */
    private static function at(Series $told, EventTime $name): ?Event
    {
        $found = $told->find($name);

        return $found === null ? null : OccurrenceChanges::single($found);
    }

    /** @return array<string, Event> the changed times that are new, or another than they were told, by name */
    private static function changed(Series $told, Series $now): array
    {
        $before = self::named($told);

        return array_filter(self::named($now), static fn (Event $each, string $name): bool => self::plain($before[$name] ?? null) !== self::plain($each), ARRAY_FILTER_USE_BOTH);
    }

    /** @return array<string, Event> */
    private static function named(Series $series): array
    {
        $named = [];
        foreach ($series->overrides as $each) {
            $named[$each->recurrenceId === null ? '' : RecurrenceId::text($each->recurrenceId)] = $each;
        }

        return $named;
    }

    /** All of an event that is told, but for the dates that are left out, who is told, and its number. */
    private static function plain(?Event $event): string
    {
        if ($event === null) {
            return '';
        }
        $plain = new Event($event->uid, $event->timing->repeating($event->timing->recurrence->put(skippedDates: [])), $event->contents, $event->recurrenceId, $event->andFollowing);

        return Invited::write(new Series(MeetingLink::put($plain, MeetingLink::of($event))));
    }

    /** Whether any time is at another than they were told, so that what they answered says nothing any more. */
    private static function isMoved(Series $told, Series $now): bool
    {
        $times = static function (?Event $event): array {
            return $event === null ? [] : [$event->timing->start->indexSeconds(), $event->timing->start->kind, $event->timing->end->indexSeconds(), $event->timing->recurrence->put(skippedDates: [])];
        };
        if ($times($told->master) != $times($now->master)) {
            return true;
        }
        $before = self::named($told);
        foreach (self::named($now) as $name => $each) {
            if ($times($before[$name] ?? self::at($told, $each->recurrenceId ?? $each->timing->start)) != $times($each)) {
                return true;
            }
        }

        return false;
    }
}

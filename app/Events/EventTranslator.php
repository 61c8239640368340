<?php

namespace App\Events;

use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\DetailsText;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Between rows of events and the events of the core. */
final class EventTranslator
{
    /** The series of a head. Its categories and overrides, and theirs, must be loaded. */
    public function series(Event $head): Series
    {
        $overrides = $head->overrides->map(fn (Event $row): CoreEvent => $this->event($row))->values()->all();

        return $head->recurrence_id === null
            ? new Series($this->event($head), $overrides)
            // A file may hold changed occurrences without the series they belong to.
            : new Series(null, [$this->event($head), ...$overrides]);
    }

    /** The row that an event of the series of a head comes from: the head, or one of its overrides. */
    public function rowOf(Event $head, CoreEvent $event): Event
    {
        $id = $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId);
        $is = static fn (Event $row): bool => $row->recurrence_id === $id && $row->and_following === $event->andFollowing;

        return $is($head) ? $head : ($head->overrides->first($is) ?? $head);
    }

    /** One row. Its categories must be loaded. */
    public function event(Event $row): CoreEvent
    {
        $start = $this->time($row, $row->starts_local);
        $details = DetailsText::read($row->details ?? '');

        return new CoreEvent(
            uid: $row->uid,
            title: $row->title,
            start: $start,
            end: $this->time($row, $row->ends_local),
            recurrence: RecurrenceText::read($row->recurrence ?? '', $start->zone),
            duration: $row->duration === null ? null : Duration::parse($row->duration),
            recurrenceId: $row->recurrence_id === null ? null : $this->recurrenceId($row->recurrence_id, $start),
            place: $row->place,
            description: $row->description,
            link: $row->link,
            status: $row->status,
            busy: $row->busy,
            private: $row->private,
            categories: $row->categories->pluck('name')->sort()->values()->all(),
            priority: $row->priority,
            sequence: $row->sequence,
            andFollowing: $row->and_following,
            organizer: $details['organizer'],
            participants: $details['participants'],
            reminders: $details['reminders'],
            extra: $details['extra'],
            components: $details['components'],
            colour: $row->colour === null ? null : Colour::tryFrom($row->colour),
        );
    }

    /** @return array<string, mixed> the columns of a row, without its calendar and categories */
    public function columns(CoreEvent $event): array
    {
        return [
            'uid' => $event->uid,
            'recurrence_id' => $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId),
            'and_following' => $event->andFollowing,
            'title' => $event->title,
            'time_kind' => $event->start->kind,
            'starts_local' => str_replace('T', ' ', $event->start->local->toDateTime()),
            'ends_local' => str_replace('T', ' ', $event->end->local->toDateTime()),
            'timezone' => $event->start->zone?->id,
            'duration' => $event->duration === null ? null : (string) $event->duration,
            'repeats' => $event->recurrence->repeats(),
            'recurrence' => RecurrenceText::write($event->recurrence),
            'place' => $event->place,
            'description' => $event->description,
            'link' => $event->link,
            'status' => $event->status,
            'busy' => $event->busy,
            'private' => $event->private,
            'has_participants' => $event->participants !== [],
            'priority' => $event->priority,
            'colour' => $event->colour?->value,
            'sequence' => $event->sequence,
            'details' => DetailsText::write($event),
        ];
    }

    private function recurrenceId(string $text, EventTime $start): EventTime
    {
        $id = RecurrenceId::parse($text);

        return $start->zone === null ? $id : $id->inZone($start->zone);
    }

    private function time(Event $row, string $text): EventTime
    {
        $local = LocalDateTime::parse($text);

        return match ($row->time_kind) {
            TimeKind::Date => EventTime::date($local),
            TimeKind::Floating => EventTime::floating($local),
            TimeKind::Zoned => EventTime::zoned($local, Zone::of((string) $row->timezone)),
        };
    }
}

<?php

namespace App\Events;

use App\Organisation\SchoolDays;
use App\Participants\ParticipantRecord;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\TravelTime;
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
    public function __construct(private readonly SchoolDays $school)
    {
    }

    /** The series of a head. EventRecord::WHOLE must be loaded. */
    public function series(EventRecord $head): Series
    {
        $overrides = $head->overrides->map(fn (EventRecord $row): Event => $this->event($row))->values()->all();

        return $head->recurrence_id === null
            ? new Series($this->event($head), $overrides)
            // A file may hold changed occurrences without the series they belong to.
            : new Series(null, [$this->event($head), ...$overrides]);
    }

    /** The series of a head with nothing of it but when it is. Its overrides must be loaded. */
    public function times(EventRecord $head): Series
    {
        $time = fn (EventRecord $row): Event => new Event(
            $row->uid, $timing = $this->timing($row), new EventContents($row->title),
            $row->recurrence_id === null ? null : $this->recurrenceId($row->recurrence_id, $timing->start), $row->and_following,
        );
        $overrides = array_values($head->overrides->map($time)->all());

        return $head->recurrence_id === null ? new Series($time($head), $overrides) : new Series(null, [$time($head), ...$overrides]);
    }

    /** The row that an event of the series of a head comes from: the head, or one of its overrides. */
    public function rowOf(EventRecord $head, Event $event): EventRecord
    {
        $id = $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId);
        $is = static fn (EventRecord $row): bool => $row->recurrence_id === $id && $row->and_following === $event->andFollowing;

        return $is($head) ? $head : ($head->overrides->first($is) ?? $head);
    }

    /** One row. Its categories and participants must be loaded. */
    public function event(EventRecord $row): Event
    {
        [$reminders, $foreign, $created] = DetailsText::read($row->details ?? '');
        [$organizers, $participants] = $row->participants->partition(static fn (ParticipantRecord $each): bool => $each->organizer);

        return new Event(
            uid: $row->uid,
            timing: $this->timing($row),
            contents: new EventContents(
                ...array_map(strval(...), $row->only(EventContents::TEXTS)),
                status: $row->status,
                busy: $row->busy,
                private: $row->private,
                categories: $row->categories->pluck('name')->sort()->values()->all(),
                priority: $row->priority,
                colour: $row->colour === null ? null : Colour::tryFrom($row->colour),
            ),
            recurrenceId: $row->recurrence_id === null ? null : $this->recurrenceId($row->recurrence_id, $this->time($row, $row->starts_local)),
            andFollowing: $row->and_following,
            organizer: $organizers->first()?->participant(),
            participants: array_values($participants->map(static fn (ParticipantRecord $each): Participant => $each->participant())->all()),
            reminders: $reminders,
            foreign: $foreign,
            sequence: $row->sequence,
            stamp: $row->updated_at->getTimestamp(),
            created: $created,
            modified: $row->updated_at->getTimestamp(),
        );
    }

    public function timing(EventRecord $row): EventTiming
    {
        $start = $this->time($row, $row->starts_local);
        $recurrence = RecurrenceText::read($row->recurrence ?? '', $start->zone, $this->school->of(...));

        return $row->duration === null
            ? EventTiming::between($start, $this->end($row), $recurrence)
            : EventTiming::lasting($start, Duration::parse($row->duration), $recurrence);
    }

    /** In the zone that it was told in. */
    private function end(EventRecord $row): EventTime
    {
        $end = $this->time($row, $row->ends_local);

        return $row->end_timezone === null ? $end : $end->inZone(Zone::of($row->end_timezone));
    }

    /** @return array<string, mixed> the columns of a row, without its calendar; categories and participants are rows of their own */
    public function columns(Event $event): array
    {
        $timing = $event->timing;
        $contents = $event->contents;

        return [
            'uid' => $event->uid,
            'recurrence_id' => $event->recurrenceId === null ? null : RecurrenceId::text($event->recurrenceId),
            'and_following' => $event->andFollowing,
            'time_kind' => $timing->start->kind,
            'starts_local' => str_replace('T', ' ', $timing->start->local->toDateTime()),
            'ends_local' => str_replace('T', ' ', $timing->end->local->toDateTime()),
            'timezone' => $timing->start->zone?->id,
            'end_timezone' => $timing->endZone?->id,
            'duration' => $timing->duration === null ? null : (string) $timing->duration,
            'repeats' => $timing->repeats(),
            'recurrence' => RecurrenceText::write($timing->recurrence),
            ...$contents->texts(),
            'status' => $contents->status,
            'busy' => $contents->busy,
            'private' => $contents->private,
            'has_participants' => $event->participants !== [],
            'priority' => $contents->priority,
            'colour' => $contents->colour?->value,
            'sequence' => $event->sequence,
            'details' => DetailsText::write($event),
            // What is looked for by them; the event itself has it among its details.
            'ask_when' => AskWhen::of($event)?->value,
            'travel_minutes' => TravelTime::of($event),
        ];
    }

    private function recurrenceId(string $text, EventTime $start): EventTime
    {
        $id = RecurrenceId::parse($text);

        return $start->zone === null ? $id : $id->inZone($start->zone);
    }

    private function time(EventRecord $row, string $text): EventTime
    {
        $local = LocalDateTime::parse($text);

        return match ($row->time_kind) {
            TimeKind::Date => EventTime::date($local),
            TimeKind::Floating => EventTime::floating($local),
            TimeKind::Zoned => EventTime::zoned($local, Zone::of((string) $row->timezone)),
        };
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantKind;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\LocalDateTime;

/** Writes a VEVENT (RFC 5545, 3.6.1). */
final readonly class EventWriter
{
    private RecurrenceWriter $recurrence;

    public function __construct(private LineWriter $writer, ZoneNames $zones = new ZoneNames)
    {
        $this->recurrence = new RecurrenceWriter($writer, $zones);
    }

    /** @param  ?int  $stamp  UTC seconds: its DTSTAMP; null for the one that it came with */
    public function write(Event $event, ?int $stamp): void
    {
        $this->writer->line('BEGIN:VEVENT');
        $this->writer->text('UID', $event->uid);
        $this->writer->property('DTSTAMP', $this->utc($stamp ?? $event->stamp ?? 0));
        if ($event->recurrenceId !== null) {
            $this->recurrence->time('RECURRENCE-ID', $event->recurrenceId, $event->andFollowing ? ['RANGE' => 'THISANDFUTURE'] : []);
        }
        $this->recurrence->time('DTSTART', $event->timing->start);
        if ($event->timing->duration !== null) {
            $this->writer->property('DURATION', (string) $event->timing->duration);
        } elseif (! $event->timing->end->equals($event->timing->start)) {
            $this->recurrence->time('DTEND', $event->timing->end);
        }
        $this->recurrence->write($event->timing->recurrence);
        if ($event->contents->title !== EventContents::UNTITLED) {
            $this->writer->text('SUMMARY', $event->contents->title);
        }
        foreach (TextProperties::NAMES as $text => $name) {
            if ($event->contents->texts()[$text] !== '') {
                $this->writer->text($name, $event->contents->texts()[$text]);
            }
        }
        if ($event->contents->link !== '') {
            $this->writer->property('URL', $event->contents->link);
        }
        if ($event->contents->categories !== []) {
            $this->writer->property('CATEGORIES', implode(',', array_map(Text::escape(...), $event->contents->categories)));
        }
        $this->writer->property('STATUS', match ($event->contents->status) {
            Status::Confirmed => 'CONFIRMED',
            Status::Provisional => 'TENTATIVE',
            Status::Cancelled => 'CANCELLED',
        });
        $this->writer->property('TRANSP', $event->contents->busy ? 'OPAQUE' : 'TRANSPARENT');
        // One that came with a word of its own, such as CONFIDENTIAL, has it among what is kept.
        if ($event->contents->private && ! $event->foreign->has('CLASS')) {
            $this->writer->property('CLASS', 'PRIVATE');
        }
        if ($event->contents->priority !== 0) {
            $this->writer->property('PRIORITY', (string) $event->contents->priority);
        }
        if ($event->contents->colour !== null) {
            $this->writer->property('COLOR', $event->contents->colour->cssName());
        }
        $this->writer->property('SEQUENCE', (string) $event->sequence);
        if ($event->organizer !== null) {
            $this->participant('ORGANIZER', $event->organizer);
        }
        foreach ($event->participants as $participant) {
            $this->participant('ATTENDEE', $participant);
        }
        $this->details($event);
        $this->writer->line('END:VEVENT');
    }

    /** The reminders, and what is kept as it came: all of an event that is stored as content lines. */
    public function details(Event $event): void
    {
        $foreign = $event->contents->private ? $event->foreign : $event->foreign->without('CLASS');
        array_map($this->kept(...), $foreign->properties);
        array_map($this->reminder(...), $event->reminders);
        array_map($this->component(...), $event->foreign->components);
    }

    private function participant(string $name, Participant $participant): void
    {
        $parameters = array_filter([
            'CN' => $participant->name,
            'CUTYPE' => $participant->kind === ParticipantKind::Person ? '' : $participant->kind->value,
            'ROLE' => $participant->role === ParticipantRole::Required ? '' : $participant->role->value,
            'PARTSTAT' => $participant->answer === ParticipantAnswer::Unanswered ? '' : $participant->answer->value,
            'RSVP' => $participant->asked ? 'TRUE' : '',
        ], static fn (string $value): bool => $value !== '');
        $this->writer->property($name, $participant->address, $parameters + $participant->parameters);
    }

    private function reminder(Reminder $reminder): void
    {
        $this->writer->line('BEGIN:VALARM');
        $this->writer->property('ACTION', $reminder->action);
        if ($reminder->offset !== null) {
            $this->writer->property('TRIGGER', (string) $reminder->offset, $reminder->fromEnd ? ['RELATED' => 'END'] : []);
        } elseif ($reminder->at !== null) {
            $this->writer->property('TRIGGER', $this->utc($reminder->at->indexSeconds()), ['VALUE' => 'DATE-TIME']);
        }
        array_map($this->kept(...), $reminder->extra);
        $this->writer->line('END:VALARM');
    }

    private function component(Component $component): void
    {
        $this->writer->line("BEGIN:{$component->name}");
        array_map($this->kept(...), $component->properties());
        array_map($this->component(...), $component->components());
        $this->writer->line("END:{$component->name}");
    }

    private function kept(Property $property): void
    {
        $this->writer->property($property->name, $property->value, $property->parameters);
    }

    private function utc(int $seconds): string
    {
        return str_replace(['-', ':'], '', (new LocalDateTime($seconds))->toDateTime()).'Z';
    }
}

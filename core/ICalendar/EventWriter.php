<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantKind;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Events\Status;

/** Writes a VEVENT (RFC 5545, 3.6.1). */
final readonly class EventWriter
{
    private RecurrenceWriter $recurrence;

    private ComponentWriter $others;

    public function __construct(private LineWriter $writer, ZoneNames $zones = new ZoneNames)
    {
        $this->recurrence = new RecurrenceWriter($writer, $zones);
        $this->others = new ComponentWriter($writer);
    }

    /** @param  ?int  $stamp  UTC seconds: its DTSTAMP; null for its own */
    public function write(Event $event, ?int $stamp = null): void
    {
        $this->writer->line('BEGIN:VEVENT');
        $this->writer->text('UID', $event->uid);
        $this->writer->moment('DTSTAMP', $stamp ?? $event->stamp ?? 0);
        if ($event->created !== null) {
            $this->writer->moment('CREATED', $event->created);
        }
        if ($event->modified !== null) {
            $this->writer->moment('LAST-MODIFIED', $event->modified);
        }
        if ($event->recurrenceId !== null) {
            $this->recurrence->time('RECURRENCE-ID', $event->recurrenceId, $event->andFollowing ? ['RANGE' => 'THISANDFUTURE'] : []);
        }
        $this->recurrence->time('DTSTART', $event->timing->start);
        if ($event->timing->duration !== null) {
            $this->writer->property('DURATION', (string) $event->timing->duration);
        } elseif (! $event->timing->end->equals($event->timing->start)) {
            $this->recurrence->time('DTEND', $event->timing->toldEnd($event->timing->end));
        }
        $this->recurrence->write($event->timing->recurrence->told($event->timing->start));
        $texts = TextProperties::of($event->contents);
        foreach (array_diff_key($texts, ['CATEGORIES' => true]) as $name => $value) {
            $this->told($event, $name, $value);
        }
        if ($event->contents->link !== '') {
            $this->writer->property('URL', $event->contents->link);
        }
        $this->told($event, 'CATEGORIES', $texts['CATEGORIES']);
        $this->writer->property('STATUS', match ($event->contents->status) {
            Status::Confirmed => 'CONFIRMED',
            Status::Provisional => 'TENTATIVE',
            Status::Cancelled => 'CANCELLED',
        });
        $this->writer->property('TRANSP', $event->contents->busy ? 'OPAQUE' : 'TRANSPARENT');
        if ($event->contents->private) {
            // One that came with a word of its own, such as CONFIDENTIAL, has it among what is kept.
            $this->kept($event->foreign->first('CLASS') ?? new Property('CLASS', 'PRIVATE'));
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
        $this->rest($event, array_filter($event->foreign->properties, static fn (Property $each): bool => ! isset($texts[$each->name]) && $each->name !== 'CLASS'));
        $this->writer->line('END:VEVENT');
    }

    /** The reminders, when it was made where it came with that, and what is kept as it came: all of an event that is stored as content lines. */
    public function details(Event $event): void
    {
        if ($event->created !== null) {
            $this->writer->moment('CREATED', $event->created);
        }
        $texts = $event->foreign->properties === [] ? [] : TextProperties::of($event->contents);
        // What was said of a text that is another by now says nothing any more.
        $this->rest($event, array_filter($event->foreign->properties, static fn (Property $each): bool => match (true) {
            $each->name === 'CLASS' => $event->contents->private,
            default => ! isset($texts[$each->name]) || $texts[$each->name] === $each->value,
        }));
    }

    /** @param  array<Property>  $properties */
    private function rest(Event $event, array $properties): void
    {
        array_map($this->kept(...), $properties);
        array_map($this->reminder(...), $event->reminders);
        array_map($this->others->write(...), $event->foreign->components);
    }

    /** A text, with what its file said of it. */
    private function told(Event $event, string $name, string $value): void
    {
        if ($value !== '') {
            $this->writer->property($name, $value, $event->foreign->parametersOf($name, $value));
        }
    }

    private function participant(string $name, Participant $participant): void
    {
        $parameters = array_filter([
            'CN' => $participant->name,
            'CUTYPE' => $participant->kind === ParticipantKind::Person ? '' : $participant->kind->value,
            'ROLE' => $participant->role === ParticipantRole::Required ? '' : $participant->role->value,
            'PARTSTAT' => $participant->answer === ParticipantAnswer::Unanswered ? '' : $participant->answer->value,
            'RSVP' => $participant->asked ? 'TRUE' : '',
            'MEMBER' => $participant->memberOf?->address() ?? '',
        ], static fn (string $value): bool => $value !== '');
        $this->writer->property($name, $participant->address, $parameters + $participant->parameters);
    }

    private function reminder(Reminder $reminder): void
    {
        $this->writer->line('BEGIN:VALARM');
        $this->writer->property('ACTION', $reminder->action);
        if ($reminder->offset !== null) {
            $this->writer->property('TRIGGER', (string) $reminder->offset, ($reminder->fromEnd ? ['RELATED' => 'END'] : []) + $reminder->parameters);
        } elseif ($reminder->at !== null) {
            $this->writer->property('TRIGGER', LineWriter::utc($reminder->at->indexSeconds()), ['VALUE' => 'DATE-TIME'] + $reminder->parameters);
        }
        array_map($this->kept(...), $reminder->extra);
        array_map($this->others->write(...), $reminder->components);
        $this->writer->line('END:VALARM');
    }

    private function kept(Property $property): void
    {
        $this->writer->property($property->name, $property->value, $property->parameters);
    }
}

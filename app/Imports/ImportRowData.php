<?php

namespace App\Imports;

use App\History\FieldChangeData;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Import\PlannedSeries;

/** An event of a file, and what becomes of it. */
final readonly class ImportRowData
{
    /**
     * @param  'added'|'changed'|'unchanged'|'leftOut'  $verdict  what is not in the file is never among them
     * @param  string  $end  Exclusive
     * @param  ?int  $row  Of a document: by which number it is put right
     * @param  ?int  $line  Where it stands there, from 1
     * @param  string  $said  As it stands there
     * @param  list<string>  $doubts  What is to be looked at, in words
     * @param  list<FieldChangeData>  $changes  Of what is there already: what would be another
     * @param  list<string>  $categories
     * @param  list<string>  $newCategories  Those of them that the calendar does not have yet
     * @param  list<string>  $people  Who takes part, as the document says
     * @param  list<string>  $unknown  Whom it names and nobody here is called, or several are
     * @param  ?string  $calendar  On which it goes, where that is another than where the document is brought in
     */
    public function __construct(
        public string $verdict,
        public string $title,
        public string $start,
        public string $end,
        public bool $allDay,
        public ?string $timezone,
        public bool $repeats,
        public string $place,
        public ?int $row,
        public ?int $line,
        public string $said,
        public array $doubts,
        public array $changes,
        public ?string $calendar,
        public array $categories,
        public array $newCategories,
        public array $people,
        public array $unknown,
    ) {
    }

    public static function of(PlannedSeries $planned): self
    {
        return self::told($planned->verdict->value, $planned->series->events()[0]);
    }

    /**
     * @param  'added'|'changed'|'unchanged'|'leftOut'  $verdict
     * @param  list<FieldChangeData>  $changes
     * @param  list<string>  $unknown
     * @param  list<string>  $newCategories
     */
    public static function told(string $verdict, Event $event, ?int $row = null, ?ExtractedEvent $found = null, array $changes = [], ?string $calendar = null, array $unknown = [], array $newCategories = []): self
    {
        $start = $event->timing->start;

        return new self(
            verdict: $verdict,
            title: $event->contents->title,
            start: $start->wall(),
            end: $event->timing->end->wall(),
            allDay: $event->timing->isAllDay(),
            timezone: $start->zone?->name,
            repeats: $event->timing->repeats(),
            place: $event->contents->place,
            row: $row,
            line: $found?->line,
            said: $found->said ?? '',
            doubts: $found->doubts ?? [],
            changes: $changes,
            calendar: $calendar,
            categories: $event->contents->categories,
            newCategories: $newCategories,
            people: array_map(static fn (Participant $each): string => ($each->name === '' ? $each->mailAddress() : $each->name).($each->role === ParticipantRole::Responsible ? ' (responsible)' : ''), $event->participants),
            unknown: $unknown,
        );
    }
}

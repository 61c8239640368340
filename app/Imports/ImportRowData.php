<?php

namespace App\Imports;

use PinnedRota\Core\Import\PlannedSeries;
use PinnedRota\Core\Time\TimeKind;

/** An event of a file, and what becomes of it. */
final readonly class ImportRowData
{
    /** @param  'added'|'changed'|'unchanged'  $verdict  what is not in the file is never among them */
    public function __construct(
        public string $verdict,
        public string $title,
        public string $start,
        public bool $allDay,
        public ?string $timezone,
        public bool $repeats,
        public string $place,
    ) {
    }

    public static function of(PlannedSeries $planned): self
    {
        $event = $planned->series->events()[0];
        $start = $event->timing->start;

        return new self(
            verdict: $planned->verdict->value,
            title: $event->contents->title,
            start: $start->kind === TimeKind::Date ? $start->local->toDate() : $start->local->toMinute(),
            allDay: $event->timing->isAllDay(),
            timezone: $start->zone?->name,
            repeats: $event->timing->repeats(),
            place: $event->contents->place,
        );
    }
}

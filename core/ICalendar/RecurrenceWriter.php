<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** Writes times and recurrence sets as properties (RFC 5545, 3.3.5 and 3.8.5). */
final readonly class RecurrenceWriter
{
    public function __construct(private LineWriter $writer, private ZoneNames $zones = new ZoneNames)
    {
    }

    public function write(RecurrenceSet $set): void
    {
        foreach ($set->rules as $rule) {
            $this->writer->property('RRULE', (string) $rule);
        }
        // What was moved beyond the year 9999 along with its series can be written no more, and takes place no more.
        foreach (array_filter($set->extraDates, static fn (ExtraDate $each): bool => $each->start->local->isWritable()) as $date) {
            $date->end === null
                ? $this->time('RDATE', $date->start)
                : $this->writer->property('RDATE', $this->value($date->start).'/'.$this->value($date->end), ['VALUE' => 'PERIOD'] + $this->parameters($date->start));
        }
        foreach (array_filter($set->skippedDates, static fn (EventTime $each): bool => $each->local->isWritable()) as $date) {
            $this->time('EXDATE', $date);
        }
    }

    /** @param  array<string, string>  $parameters  further ones */
    public function time(string $name, EventTime $time, array $parameters = []): void
    {
        $this->writer->property($name, $this->value($time), $this->parameters($time) + $parameters);
    }

    private function value(EventTime $time): string
    {
        return match (true) {
            $time->kind === TimeKind::Date => $time->local->toBasicDate(),
            $time->zone?->id === 'UTC' => $time->local->toBasicDateTime().'Z',
            default => $time->local->toBasicDateTime(),
        };
    }

    /** @return array<string, string> */
    private function parameters(EventTime $time): array
    {
        return match (true) {
            $time->kind === TimeKind::Date => ['VALUE' => 'DATE'],
            $time->zone === null || $time->zone->id === 'UTC' => [],
            default => ['TZID' => $this->zones->nameOf($time->zone)],
        };
    }
}

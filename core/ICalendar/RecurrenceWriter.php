<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** Writes times and recurrence sets as properties (RFC 5545, 3.3.5 and 3.8.5). */
final readonly class RecurrenceWriter
{
    public function __construct(private LineWriter $writer)
    {
    }

    public function write(RecurrenceSet $set): void
    {
        foreach ($set->rules as $rule) {
            $this->writer->property('RRULE', (string) $rule);
        }
        foreach ($set->extraDates as $date) {
            $this->time('RDATE', $date);
        }
        foreach ($set->skippedDates as $date) {
            $this->time('EXDATE', $date);
        }
    }

    public function time(string $name, EventTime $time): void
    {
        $stamp = str_replace(['-', ':'], '', $time->local->toDateTime());
        match (true) {
            $time->kind === TimeKind::Date => $this->writer->property($name, substr($stamp, 0, 8), ['VALUE' => 'DATE']),
            $time->zone === null => $this->writer->property($name, $stamp),
            $time->zone->name === 'UTC' => $this->writer->property($name, $stamp.'Z'),
            default => $this->writer->property($name, $stamp, ['TZID' => $time->zone->name]),
        };
    }
}

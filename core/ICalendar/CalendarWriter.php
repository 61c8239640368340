<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** Writes a VCALENDAR (RFC 5545, with NAME and COLOR of RFC 7986): the same data gives the same octets. */
final readonly class CalendarWriter
{
    /** Observances are written this many years past the last start, for series that go on. */
    private const YEARS_AHEAD = 5;

    private LineWriter $writer;

    private RecurrenceWriter $recurrence;

    /** @param  resource  $stream */
    public function __construct(mixed $stream)
    {
        $this->writer = new LineWriter($stream);
        $this->recurrence = new RecurrenceWriter($this->writer);
    }

    /**
     * @param  list<Series>  $series
     * @param  int  $stamp  when the data last changed, UTC seconds: the DTSTAMP of every event
     */
    public function write(string $name, array $series, int $stamp, ?int $refreshMinutes = null): void
    {
        $this->writer->line('BEGIN:VCALENDAR');
        $this->writer->property('VERSION', '2.0');
        $this->writer->property('PRODID', '-//Pinned Rota//Calendar//EN');
        $this->writer->property('CALSCALE', 'GREGORIAN');
        $this->writer->text('NAME', $name);
        $this->writer->text('X-WR-CALNAME', $name);
        if ($refreshMinutes !== null) {
            $this->writer->property('REFRESH-INTERVAL', "PT{$refreshMinutes}M", ['VALUE' => 'DURATION']);
        }
        usort($series, static fn (Series $a, Series $b): int => strcmp($a->uid(), $b->uid()));
        $this->timeZones($series);
        foreach ($series as $each) {
            foreach ($each->master === null ? $each->overrides : [$each->master, ...$each->overrides] as $event) {
                $this->event($event, $stamp);
            }
        }
        $this->writer->line('END:VCALENDAR');
    }

    /** @param  list<Series>  $series */
    private function timeZones(array $series): void
    {
        $zones = $years = [];
        foreach ($series as $each) {
            foreach ($each->master === null ? $each->overrides : [$each->master, ...$each->overrides] as $event) {
                foreach ([$event->start, $event->end, $event->recurrenceId] as $time) {
                    if ($time?->zone === null || $time->zone->name === 'UTC') {
                        continue;
                    }
                    [$year] = CivilDate::fromDays($time->local->day());
                    $zones[$time->zone->name] = $time->zone;
                    $known = $years[$time->zone->name] ?? [$year, $year];
                    $last = $event->recurrence->repeats() ? $year + self::YEARS_AHEAD : $year;
                    $years[$time->zone->name] = [min($known[0], $year), max($known[1], $last)];
                }
            }
        }
        ksort($zones);
        foreach ($zones as $name => $zone) {
            (new TimeZoneWriter($this->writer))->write($zone, $years[$name][0] - 1, $years[$name][1] + 1);
        }
    }

    private function event(Event $event, int $stamp): void
    {
        $this->writer->line('BEGIN:VEVENT');
        $this->writer->text('UID', $event->uid);
        $this->writer->property('DTSTAMP', $this->utc($stamp));
        if ($event->recurrenceId !== null) {
            $this->recurrence->time('RECURRENCE-ID', $event->recurrenceId);
        }
        $this->recurrence->time('DTSTART', $event->start);
        if ($event->duration !== null) {
            $this->writer->property('DURATION', sprintf('P%dD%s', $event->duration->days, $event->duration->seconds === 0 ? '' : "T{$event->duration->seconds}S"));
        } elseif (! $event->end->equals($event->start)) {
            $this->recurrence->time('DTEND', $event->end);
        }
        $this->recurrence->write($event->recurrence);
        $this->writer->text('SUMMARY', $event->title);
        foreach (['LOCATION' => $event->place, 'DESCRIPTION' => $event->description] as $name => $text) {
            if ($text !== '') {
                $this->writer->text($name, $text);
            }
        }
        if ($event->link !== '') {
            $this->writer->property('URL', $event->link);
        }
        if ($event->categories !== []) {
            $this->writer->property('CATEGORIES', implode(',', array_map(Text::escape(...), $event->categories)));
        }
        $this->writer->property('STATUS', match ($event->status) {
            Status::Confirmed => 'CONFIRMED',
            Status::Provisional => 'TENTATIVE',
            Status::Cancelled => 'CANCELLED',
        });
        $this->writer->property('TRANSP', $event->busy ? 'OPAQUE' : 'TRANSPARENT');
        if ($event->private) {
            $this->writer->property('CLASS', 'PRIVATE');
        }
        if ($event->priority !== 0) {
            $this->writer->property('PRIORITY', (string) $event->priority);
        }
        $this->writer->property('SEQUENCE', (string) $event->sequence);
        foreach ($event->extra as $property) {
            $this->writer->property($property->name, $property->value, $property->parameters);
        }
        $this->writer->line('END:VEVENT');
    }

    private function utc(int $seconds): string
    {
        return str_replace(['-', ':'], '', (new LocalDateTime($seconds))->toDateTime()).'Z';
    }
}

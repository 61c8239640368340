<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Series;

/** Writes a VCALENDAR (RFC 5545, with NAME and REFRESH-INTERVAL of RFC 7986): the same data gives the same octets. */
final readonly class CalendarWriter
{
    private LineWriter $writer;

    /** @param  resource  $stream */
    public function __construct(mixed $stream)
    {
        $this->writer = new LineWriter($stream);
    }

    /**
     * @param  list<Series>  $series
     * @param  ?int  $stamp  when the data last changed, UTC seconds: the DTSTAMP of every event; null for each one's own
     * @param  list<Property>  $more  further properties of the calendar
     */
    public function write(string $name, array $series, ?int $stamp, ?int $refreshMinutes = null, array $more = []): void
    {
        $this->writer->line('BEGIN:VCALENDAR');
        $this->writer->property('VERSION', '2.0');
        $this->writer->property('PRODID', '-//Pinned Rota//Calendar//EN');
        $this->writer->property('CALSCALE', 'GREGORIAN');
        if ($name !== '') {
            $this->writer->text('NAME', $name);
            $this->writer->text('X-WR-CALNAME', $name);
        }
        if ($refreshMinutes !== null) {
            $this->writer->property('REFRESH-INTERVAL', "PT{$refreshMinutes}M", ['VALUE' => 'DURATION']);
        }
        foreach ($more as $property) {
            $this->writer->property($property->name, $property->value, $property->parameters);
        }
        usort($series, static fn (Series $a, Series $b): int => strcmp($a->uid(), $b->uid()));
        $zones = new ZoneUse;
        foreach ($series as $each) {
            foreach ($each->events() as $event) {
                $zones->note($event);
            }
        }
        $names = $zones->names();
        $zones->write(new TimeZoneWriter($this->writer), $names);
        $events = new EventWriter($this->writer, $names);
        foreach ($series as $each) {
            foreach ($each->events() as $event) {
                $events->write($event, $stamp);
            }
        }
        $this->writer->line('END:VCALENDAR');
    }
}

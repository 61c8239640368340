<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\Events\StartApart;
use PinnedRota\Core\Time\Zone;
use RuntimeException;

/** Writes a VCALENDAR (RFC 5545), in memory that does not grow with it: the same data gives the same octets. */
final readonly class CalendarWriter
{
    private LineWriter $writer;

    /** @param  resource  $stream */
    public function __construct(mixed $stream)
    {
        $this->writer = new LineWriter($stream);
    }

    /**
     * The whole as text: of what is small, or kept as it is.
     *
     * @param  iterable<Series>  $series
     */
    public static function text(CalendarHead $head, iterable $series): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        (new self($stream))->write($head, $series);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /**
     * @param  iterable<Series>  $series  in any order, and of any number
     * @param  iterable<OtherComponent>  $others  what can be gone through twice
     */
    public function write(CalendarHead $head, iterable $series, iterable $others = []): void
    {
        $this->writer->line('BEGIN:VCALENDAR');
        $this->writer->property('VERSION', '2.0');
        $this->writer->property('PRODID', '-//Pinned Rota//Calendar//EN');
        $this->writer->property('CALSCALE', 'GREGORIAN');
        $head->write($this->writer);
        $sorted = new SeriesCollector;
        $zones = new ZoneUse;
        foreach ($series as $each) {
            foreach (StartApart::of($each) as $sound) {
                array_map($sorted->add(...), $sound->events());
                $zones->note($sound);
            }
        }
        foreach ($others as $other) {
            $zones->noteOther($other);
        }
        $names = $zones->names();
        $zones->write(new TimeZoneWriter($this->writer), $names);
        $events = new EventWriter($this->writer, $names);
        foreach ($sorted as $each) {
            foreach ($each->events() as $event) {
                $events->write($event);
            }
        }
        $components = new ComponentWriter($this->writer);
        foreach ($others as $other) {
            $components->write($other->component, array_map(static fn (string $id): string => $names->nameOf(Zone::of($id)), $other->zones));
        }
        $this->writer->line('END:VCALENDAR');
    }
}

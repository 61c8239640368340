<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Generator;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Time\Zone;

/** The events of an iCalendar stream, one at a time. */
final class CalendarReader
{
    private readonly ComponentReader $components;

    private readonly TimeReader $times;

    /**
     * @param  resource  $stream
     * @param  Zone  $fallback  for times whose zone means nothing here
     */
    public function __construct(mixed $stream, public readonly Diagnostics $diagnostics, Zone $fallback)
    {
        $this->components = new ComponentReader($stream, $diagnostics);
        $this->times = new TimeReader($diagnostics, $fallback);
    }

    /** What the file calls itself (NAME of RFC 7986, or X-WR-CALNAME); known once the first event was read. */
    public function name(): ?string
    {
        return ($this->components->calendarProperty('NAME') ?? $this->components->calendarProperty('X-WR-CALNAME'))?->text();
    }

    /**
     * @return Generator<int, Event>
     *
     * @throws NotICalendar
     */
    public function events(): Generator
    {
        $reader = new EventReader($this->diagnostics, $this->times);
        foreach ($this->components->components() as $component) {
            $zone = $this->components->calendarProperty('X-WR-TIMEZONE');
            if ($zone !== null) {
                $this->times->useCalendarZone($zone);
            }
            if ($component->name === 'VTIMEZONE') {
                $this->times->learn($component);
            } elseif ($component->name === 'VEVENT') {
                $event = $reader->read($component);
                if ($event !== null) {
                    yield $event;
                }
            } elseif (in_array($component->name, ['VTODO', 'VJOURNAL', 'VFREEBUSY'], true)) {
                $this->diagnostics->add($component->line, $component->name, 'only events are taken', Outcome::Skipped);
            }
        }
    }
}

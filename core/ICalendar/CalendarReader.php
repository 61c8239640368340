<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Generator;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\Zone;
use RuntimeException;

/**
 * The events of an iCalendar stream (RFC 5545), one at a time.
 *
 * An event whose zone means nothing yet waits for a VTIMEZONE further down, as components may stand in any order: up
 * to MOST_WAITING properties wait, so that memory stays bounded.
 */
final class CalendarReader
{
    private const MOST_WAITING = 20_000;

    /** What may name a zone. */
    private const TIMES = ['DTSTART' => true, 'DTEND' => true, 'DUE' => true, 'RECURRENCE-ID' => true, 'EXDATE' => true, 'RDATE' => true];

    /** What a calendar says of its form: that is told anew when it is written. Its times are in their zones by then. */
    private const OWN = ['X-WR-TIMEZONE' => true, 'VERSION' => true, 'PRODID' => true, 'CALSCALE' => true, 'X-WR-CALNAME' => true, 'METHOD' => true];

    private readonly ComponentReader $components;

    private readonly TimeReader $times;

    private readonly EventReader $events;

    /** @var list<Component> */
    private array $waiting = [];

    private int $waitingProperties = 0;

    private ?Method $method = null;

    /**
     * @param  resource  $stream
     * @param  Zone  $fallback  for times whose zone means nothing here
     * @param  bool  $takesReplies  whether what somebody says about an event is read as one, too
     */
    public function __construct(mixed $stream, public readonly Diagnostics $diagnostics, Zone $fallback, private readonly bool $takesReplies = false)
    {
        $this->components = new ComponentReader($stream, $diagnostics);
        $this->times = new TimeReader($diagnostics, $fallback);
        $this->events = new EventReader($diagnostics, $this->times);
    }

    /** The same of a text that is there as a whole; see the constructor. */
    public static function ofText(string $text, Diagnostics $diagnostics, Zone $fallback, bool $takesReplies = false): self
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        fwrite($stream, $text);
        rewind($stream);

        return new self($stream, $diagnostics, $fallback, $takesReplies);
    }

    /** What the file says of itself: the first calendar in it. All of it is known once all was read. */
    public function head(): CalendarHead
    {
        $properties = $this->components->firstProperties();
        $names = $properties['NAME'] ?? [];
        $name = ($names[0] ?? $properties['X-WR-CALNAME'][0] ?? null)?->text() ?? '';
        if (count($names) < 2 && ($names[0]->parameters ?? []) === []) {
            unset($properties['NAME']);
        }

        return new CalendarHead($name, more: array_merge(...array_values(array_diff_key($properties, self::OWN))));
    }

    /** What the sender wants; known once the first event was read. Null where the calendar does not say, or says what nobody knows. */
    public function method(): ?Method
    {
        return $this->method;
    }

    /**
     * @return Generator<int, Event> in the order of the file, but for those that wait
     *
     * @throws NotICalendar
     */
    public function events(): Generator
    {
        foreach ($this->contents() as $content) {
            if ($content instanceof Event) {
                yield $content;
            } else {
                $this->diagnostics->add($content->component->line, $content->component->name, 'only events are taken', Outcome::Skipped);
            }
        }
    }

    /**
     * The events, and what else there is to be kept.
     *
     * @return Generator<int, Event|OtherComponent> in the order of the file, but for those that wait
     *
     * @throws NotICalendar
     */
    public function contents(): Generator
    {
        $calendar = 0;
        foreach ($this->components->components() as $component) {
            if ($calendar !== $this->components->calendarLine()) {
                yield from $this->released();
                $calendar = $this->components->calendarLine();
                $this->begin($calendar);
            }
            if ($component->name === 'VTIMEZONE') {
                $this->times->learn($component);
            } elseif ($this->mustWait($component)) {
                $this->waiting[] = $component;
                $this->waitingProperties += $component->size();
            } elseif (($content = $this->content($component)) !== null) {
                yield $content;
            }
        }
        yield from $this->released();
    }

    private function content(Component $component): Event|OtherComponent|null
    {
        return $component->name === 'VEVENT' ? $this->event($component) : new OtherComponent($component, $this->zonesOf($component));
    }

    /** @return array<string, string> ids of the zones that a component names, by what it calls them */
    private function zonesOf(Component $component): array
    {
        $zones = [];
        foreach ($component->properties() as $property) {
            if ($property->parameters !== [] && ($name = $property->parameter('TZID')) !== null) {
                $zones[$name] ??= $this->times->zoneOf($property, $name)->id;
            }
        }
        foreach ($component->components() as $inner) {
            $zones += $this->zonesOf($inner);
        }

        return $zones;
    }

    /** The event, as the method of its calendar means it; null where it is none. */
    private function event(Component $component): ?Event
    {
        $method = $this->method;
        if ($method !== null && ! $method->tellsOfEvents() && $this->takesReplies) {
            // It need not say when the event is that it is about (RFC 5546, 3.2.3), where an event has to: it is given a time that nobody looks at.
            if ($component->first('DTSTART') === null) {
                $component->addProperty(new Property('DTSTART', '19700101T000000Z'));
            }
        } elseif ($method !== null && ! $method->tellsOfEvents()) {
            $this->diagnostics->add($component->line, 'METHOD', "{$method->value}: this is what somebody says about an event, and none itself", Outcome::Skipped);

            return null;
        }
        $event = $this->events->read($component);
        if ($event === null || $method !== Method::Cancel) {
            return $event;
        }

        return $event->with(contents: $event->contents->with(status: Status::Cancelled));
    }

    private function begin(int $line): void
    {
        $this->times->forget();
        // Kept, as events that wait are read when the next calendar has begun already.
        $this->method = Method::tryFrom(strtoupper(trim($this->components->calendarProperty('METHOD')->value ?? '')));
        $zone = $this->components->calendarProperty('X-WR-TIMEZONE');
        if ($zone !== null) {
            $this->times->useCalendarZone($zone);
        }
        $version = trim($this->components->calendarProperty('VERSION')->value ?? '');
        if ($version !== '2.0') {
            $this->diagnostics->add($line, 'VERSION', $version === '' ? 'the calendar does not say that it is version 2.0' : "version “{$version}” is read as though it were 2.0", Outcome::Mended);
        }
        if ($this->components->calendarProperty('PRODID') === null) {
            $this->diagnostics->add($line, 'PRODID', 'the calendar does not say what program wrote it', Outcome::Mended);
        }
    }

    private function mustWait(Component $component): bool
    {
        if ($this->waitingProperties > self::MOST_WAITING) {
            return false;
        }
        if ($this->waiting !== []) {
            // What comes after what waits waits, too: the order of the file is kept.
            return true;
        }
        foreach (array_intersect_key($component->byName(), self::TIMES) as $properties) {
            if ($properties[0]->parameters !== [] && ! $this->times->knowsZoneOf($properties[0])) {
                return true;
            }
        }

        return false;
    }

    /** @return Generator<int, Event|OtherComponent> what waited, now that the calendar is at its end */
    private function released(): Generator
    {
        $waiting = $this->waiting;
        $this->waiting = [];
        $this->waitingProperties = 0;
        foreach ($waiting as $component) {
            $content = $this->content($component);
            if ($content !== null) {
                yield $content;
            }
        }
    }
}

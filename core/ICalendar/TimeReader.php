<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads DATE and DATE-TIME values with their TZID (RFC 5545, 3.3.4 and 3.3.5). */
final class TimeReader
{
    /** @var array<string, ?Zone> zones that VTIMEZONE components of the file say more of than their name does */
    private array $embedded = [];

    private ?Zone $calendarZone = null;

    public function __construct(private readonly Diagnostics $diagnostics, private readonly Zone $fallback)
    {
    }

    /** The zone that X-WR-TIMEZONE names: for times whose own zone means nothing. */
    public function useCalendarZone(Property $property): void
    {
        $this->calendarZone = Zone::find($property->text());
    }

    public function learn(Component $timeZone): void
    {
        $name = $timeZone->first('TZID')?->text() ?? '';
        if ($name !== '' && count($this->embedded) < 1000) {
            $location = $timeZone->first('X-LIC-LOCATION')?->text();
            $this->embedded[$name] = $location === null ? null : Zone::find($location);
        }
    }

    /**
     * @return list<EventTime> the values of a property that may hold several; what cannot be read is left out with a diagnostic
     */
    public function all(Property $property): array
    {
        $times = [];
        foreach (explode(',', $property->value) as $value) {
            try {
                // Of a PERIOD, the start is what makes an occurrence.
                $times[] = $this->read($property, explode('/', trim($value), 2)[0]);
            } catch (InvalidTime $problem) {
                $this->diagnostics->add($property->line, $property->name, $problem->getMessage(), Outcome::Skipped);
            }
        }

        return $times;
    }

    /** @throws InvalidTime */
    public function one(Property $property): EventTime
    {
        return $this->read($property, trim($property->value));
    }

    private function read(Property $property, string $value): EventTime
    {
        if (preg_match('/^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)?(Z?))?$/Di', $value, $m) !== 1) {
            throw new InvalidTime('“'.mb_strimwidth($value, 0, 40, '…').'” is no date or time.');
        }
        $local = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) ($m[4] ?? 0), (int) ($m[5] ?? 0), (int) ($m[6] ?? 0));
        if (! isset($m[4])) {
            return EventTime::date($local);
        }
        if (strtoupper($property->parameter('VALUE') ?? '') === 'DATE') {
            $this->diagnostics->add($property->line, $property->name, 'a date was announced and a time is given', Outcome::Mended);
        }
        if (($m[7] ?? '') !== '') {
            return EventTime::zoned($local, Zone::utc());
        }
        $zone = $property->parameter('TZID');

        return $zone === null ? EventTime::floating($local) : EventTime::zoned($local, $this->zone($property, $zone));
    }

    private function zone(Property $property, string $name): Zone
    {
        $zone = Zone::find($name) ?? $this->embedded[$name] ?? null;
        if ($zone === null) {
            $zone = $this->calendarZone ?? $this->fallback;
            $this->diagnostics->add($property->line, $property->name, "the time zone “{$name}” is unknown; {$zone->name} is taken", Outcome::Mended);
        }

        return $zone;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads DATE, DATE-TIME and PERIOD values with their TZID (RFC 5545, 3.3.4, 3.3.5 and 3.3.9). */
final class TimeReader
{
    private const MOST_ZONES = 200;

    /** @var array<string, ?Zone> zones that VTIMEZONE components of this calendar describe, by TZID */
    private array $described = [];

    private ?Zone $calendarZone = null;

    public function __construct(private readonly Diagnostics $diagnostics, private readonly Zone $fallback)
    {
    }

    /** Another VCALENDAR of the file begins: what the one before it said of zones holds no more. */
    public function forget(): void
    {
        $this->described = [];
        $this->calendarZone = null;
    }

    /** The zone that X-WR-TIMEZONE names: for times whose own zone means nothing. */
    public function useCalendarZone(Property $property): void
    {
        $this->calendarZone = Zone::find($property->text());
    }

    /** Takes a VTIMEZONE to heart where its TZID means nothing by itself. */
    public function learn(Component $timeZone): void
    {
        $name = trim($timeZone->first('TZID')?->text() ?? '');
        if ($name !== '' && Zone::find($name) === null && count($this->described) < self::MOST_ZONES) {
            $this->described[$name] = (new TimeZoneReader($this->diagnostics))->read($timeZone, $name, array_values(array_filter([$this->calendarZone, $this->fallback])));
        }
    }

    /** Makes a zone known by its name: for text that was stored apart from its VTIMEZONE. */
    public function know(Zone $zone): void
    {
        $this->described[$zone->name] = $zone;
    }

    /** Whether the zone of a property means something by now. */
    public function knowsZoneOf(Property $property): bool
    {
        $name = $property->parameter('TZID');

        return $name === null || Zone::find($name) !== null || array_key_exists(trim($name), $this->described);
    }

    /**
     * @param  int  $most  values over this many are left out
     * @return list<EventTime> the values of a property that may hold several; what cannot be read is left out with a diagnostic
     */
    public function all(Property $property, int $most): array
    {
        return array_map(static fn (ExtraDate $each): EventTime => $each->start, $this->extraDates($property, $most));
    }

    /**
     * The values of an RDATE, of which each may be a PERIOD.
     *
     * @return list<ExtraDate>
     */
    public function extraDates(Property $property, int $most): array
    {
        $dates = [];
        foreach (explode(',', $property->value, $most + 1) as $index => $value) {
            if ($index === $most) {
                $this->diagnostics->add($property->line, $property->name, 'the event has too many dates; the rest is left out', Outcome::Skipped);
                break;
            }
            try {
                $ends = explode('/', trim($value), 2);
                $begins = $this->read($property, trim($ends[0]));
                $dates[] = new ExtraDate($begins, isset($ends[1]) ? $this->endOfPeriod($property, $begins, trim($ends[1])) : null);
            } catch (InvalidTime $problem) {
                $this->diagnostics->add($property->line, $property->name, $problem->getMessage(), Outcome::Skipped);
            }
        }

        return $dates;
    }

    /** @throws InvalidTime */
    public function one(Property $property): EventTime
    {
        return $this->read($property, trim($property->value));
    }

    /** @throws InvalidTime */
    private function endOfPeriod(Property $property, EventTime $begins, string $end): EventTime
    {
        $ends = str_starts_with(ltrim($end, '+-'), 'P') ? Duration::parse($end)->addTo($begins) : $this->read($property, $end);
        if ($ends->kind !== $begins->kind || $ends->indexSeconds() < $begins->indexSeconds()) {
            throw new InvalidTime('The end of a period is before its start.');
        }

        return $ends;
    }

    /** @throws InvalidTime */
    private function read(Property $property, string $value): EventTime
    {
        if (preg_match('/^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)?(Z?))?$/Di', $value, $m) !== 1) {
            throw new InvalidTime('“'.mb_strimwidth($value, 0, 40, '…').'” is no date or time.');
        }
        $local = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) ($m[4] ?? 0), (int) ($m[5] ?? 0), (int) ($m[6] ?? 0));
        $announced = $property->parameters === [] ? '' : strtoupper($property->parameter('VALUE') ?? '');
        if (! isset($m[4])) {
            if ($announced !== 'DATE') {
                $this->diagnostics->add($property->line, $property->name, 'a date is given without VALUE=DATE', Outcome::Mended);
            }

            return EventTime::date($local);
        }
        if ($announced === 'DATE') {
            $this->diagnostics->add($property->line, $property->name, 'a date was announced and a time is given', Outcome::Mended);
        }
        if (($m[7] ?? '') !== '') {
            return EventTime::zoned($local, Zone::utc());
        }
        $zone = $property->parameters === [] ? null : $property->parameter('TZID');

        return $zone === null ? EventTime::floating($local) : EventTime::zoned($local, $this->zone($property, $zone));
    }

    private function zone(Property $property, string $name): Zone
    {
        $zone = Zone::find($name) ?? $this->described[trim($name)] ?? null;
        if ($zone === null) {
            $zone = $this->calendarZone ?? $this->fallback;
            $this->diagnostics->add($property->line, $property->name, "the time zone “{$name}” is unknown; {$zone->name} is taken", Outcome::Mended);
        }

        return $zone;
    }
}

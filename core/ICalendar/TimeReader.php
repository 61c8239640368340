<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Reads DATE, DATE-TIME and PERIOD values with their TZID (RFC 5545, 3.3.4, 3.3.5 and 3.3.9). */
final class TimeReader
{
    private const MOST_ZONES = 200;

    private const MOST_KNOWN = 5_000;

    /** @var array<array-key, int> local seconds at which days begin, by how they are written: YYYYMMDD */
    private array $days = [];

    /** @var array<array-key, int> seconds of the day, by how they are written: HHMMSS */
    private array $seconds = [];

    /** @var array<string, ?Zone> zones that VTIMEZONE components of this calendar describe, by TZID */
    private array $described = [];

    /** @var array<string, Zone> zones that were asked for, as they are called: most events have them from another */
    private array $found = [];

    /** @var array<string, Zone> the likeliest of those that mean nothing: a description may come yet */
    private array $guessed = [];

    private ?Zone $calendarZone = null;

    public function __construct(private readonly Diagnostics $diagnostics, private readonly Zone $fallback)
    {
    }

    /** Another VCALENDAR of the file begins: what the one before it said of zones holds no more. */
    public function forget(): void
    {
        $this->described = $this->found = $this->guessed = [];
        $this->calendarZone = null;
    }

    /** The zone that X-WR-TIMEZONE names: for times whose own zone means nothing. */
    public function useCalendarZone(Property $property): void
    {
        $this->calendarZone = Zone::find($property->text());
    }

    /** Takes a VTIMEZONE to heart where its TZID means nothing by itself, or no more than an abbreviation does: `EST` may know daylight saving. */
    public function learn(Component $timeZone): void
    {
        $name = trim($timeZone->first('TZID')?->text() ?? '', " \t\"");
        $named = Zone::find($name);
        if ($name !== '' && ($named === null || ZoneGuess::isAbbreviation($name)) && count($this->described) < self::MOST_ZONES) {
            $this->found = $this->guessed = [];
            $this->described[$name] = (new TimeZoneReader($this->diagnostics))->read($timeZone, $name, array_values(array_filter([$named, $this->calendarZone, $this->fallback])));
        }
    }

    /** Makes a zone known by its name: for text that was stored apart from its VTIMEZONE. */
    public function know(Zone $zone): void
    {
        $this->described[$zone->name] = $zone;
        $this->found = $this->guessed = [];
    }

    /** Whether the zone of a property means something by now. */
    public function knowsZoneOf(Property $property): bool
    {
        $name = $property->parameter('TZID');

        return $name === null || isset($this->found[$name]) || (Zone::find($name) !== null && ! ZoneGuess::isAbbreviation($name)) || array_key_exists(trim($name, " \t\""), $this->described);
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
        // Most times are on the wall of a zone that is known by now, on a day and at a time of day that were met before.
        if (isset($value[14]) && ! isset($value[15]) && $value[8] === 'T' && $property->parameters !== [] && ! isset($property->parameters['VALUE'])) {
            $day = $this->days[substr($value, 0, 8)] ?? null;
            $second = $this->seconds[substr($value, 9)] ?? null;
            $zone = $this->found[$property->parameters['TZID'][0] ?? ''] ?? null;
            if ($day !== null && $second !== null && $zone !== null) {
                return EventTime::zoned(new LocalDateTime($day + $second), $zone);
            }
        }
        if (preg_match('/^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)?(Z?))?$/Di', $value, $m) !== 1 || ($m[4] ?? '') === '24') {
            return $this->otherwise($property, $value);
        }
        $local = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) ($m[4] ?? 0), (int) ($m[5] ?? 0), (int) ($m[6] ?? 0));
        if (count($this->days) < self::MOST_KNOWN && count($this->seconds) < self::MOST_KNOWN && isset($value[14])) {
            $this->days[substr($value, 0, 8)] = $local->seconds - $local->secondOfDay();
            $this->seconds[substr($value, 9, 6)] = $local->secondOfDay();
        }
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

        return $this->onWall($property, $local);
    }

    /**
     * What is plain enough though it is not written as RFC 5545, 3.3.5 has it: with dashes and colons, parts of seconds, an offset from
     * UTC, or the end of a day as its 24th hour.
     *
     * @throws InvalidTime
     */
    private function otherwise(Property $property, string $value): EventTime
    {
        if (preg_match('/^(\d{4})-?(\d\d)-?(\d\d)(?:[T ](\d\d):?(\d\d)(?::?(\d\d)(?:[.,]\d+)?)?\s*(Z|[+-]\d\d(?::?\d\d)?)?)?$/Di', $value, $m) !== 1) {
            throw new InvalidTime('“'.mb_strimwidth($value, 0, 40, '…').'” is no date or time.');
        }
        $hour = (int) ($m[4] ?? 0);
        $nextDay = $hour === 24 && (int) ($m[5] ?? 0) === 0 && (int) ($m[6] ?? 0) === 0;
        $local = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], $nextDay ? 0 : $hour, (int) ($m[5] ?? 0), (int) ($m[6] ?? 0))->plusDays($nextDay ? 1 : 0);
        $offset = strtoupper($m[7] ?? '');
        $time = match (true) {
            ! isset($m[4]) => EventTime::date($local),
            $offset === '' => $this->onWall($property, $local),
            default => EventTime::zoned($local->plusSeconds(-self::seconds($offset)), Zone::utc()),
        };
        $this->diagnostics->add($property->line, $property->name, "“{$value}” is read as ".($time->kind === TimeKind::Date ? $local->toDate() : $time->local->toDateTime().($offset === '' ? '' : ' UTC')), Outcome::Mended);

        return $time;
    }

    /** @param  string  $offset  Z, +02, +0200 or +02:00 */
    private static function seconds(string $offset): int
    {
        $digits = str_pad(str_replace([':', '+', '-', 'Z'], '', $offset), 4, '0');

        return ($offset[0] === '-' ? -1 : 1) * ((int) substr($digits, 0, 2) * 3600 + (int) substr($digits, 2, 2) * 60);
    }

    /** A wall time in the zone that the property names; where it names none, in that of the calendar, which some programs leave it to. */
    private function onWall(Property $property, LocalDateTime $local): EventTime
    {
        $zone = $property->parameters === [] ? null : $property->parameter('TZID');
        if ($zone !== null) {
            return EventTime::zoned($local, $this->zoneOf($property, $zone));
        }
        if ($this->calendarZone === null) {
            return EventTime::floating($local);
        }
        $this->diagnostics->addOnce($property->line, $property->name, "times that name no time zone are read in the calendar’s, {$this->calendarZone->name}", Outcome::Mended);

        return EventTime::zoned($local, $this->calendarZone);
    }

    /** The zone that a property calls so; where that means nothing, the likeliest, with a diagnostic. */
    public function zoneOf(Property $property, string $name): Zone
    {
        $found = $this->found[$name] ?? $this->guessed[$name] ?? null;
        if ($found !== null) {
            return $found;
        }
        $called = $name;
        $name = trim($name, " \t\"");
        $zone = (ZoneGuess::isAbbreviation($name) ? $this->described[$name] ?? null : null) ?? Zone::find($name) ?? $this->described[$name] ?? null;
        if ($zone === null) {
            $zone = ZoneGuess::of($name) ?? $this->calendarZone ?? $this->fallback;
            $this->diagnostics->addOnce($property->line, $property->name, "the time zone “{$name}” is unknown; {$zone->name} is taken", Outcome::Mended);
            if (count($this->guessed) < self::MOST_ZONES) {
                $this->guessed[$called] = $zone;
            }
        } elseif (count($this->found) < self::MOST_ZONES) {
            $this->found[$called] = $zone;
        }

        return $zone;
    }
}

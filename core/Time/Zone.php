<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

use DateTimeZone;
use IntlTimeZone;
use InvalidArgumentException;

/**
 * A time zone, between wall time and UTC (both in seconds from 1970-01-01T00:00:00): one of the IANA database, or one
 * that a file describes because its name means nothing.
 *
 * A wall time that does not exist is read with the offset in force before the gap; one that exists twice
 * is the first of the two (RFC 5545, 3.3.5).
 */
final class Zone
{
    /** Transitions are asked of PHP for this many seconds at a time (32 years). */
    private const ERA = 1_009_843_200;

    /** @var array<string, self|null> */
    private static array $known = [];

    /** @var array<int, list<array{int, int}>> by era: from when (UTC seconds), the offset in seconds */
    private array $eras = [];

    /** The stretch of time last asked for, UTC seconds, end exclusive, and the offset that holds in it. */
    private int $lastFrom = 0;

    private int $lastTo = 0;

    private int $lastOffset = 0;

    /** Begins the id of a zone that a file describes. */
    private const EMBEDDED = 'vtimezone:';

    /**
     * @param  string  $id  what find() finds it by again: its IANA name, or all that a file said of it
     * @param  string  $name  what people and files call it
     */
    private function __construct(public readonly string $id, public readonly string $name, private readonly ZoneOffsets $offsets)
    {
    }

    /** @return array{string} its id, by which it is found again */
    public function __serialize(): array
    {
        return [$this->id];
    }

    /** @param  array{string}  $data */
    public function __unserialize(array $data): void
    {
        $known = self::of($data[0]);
        $this->id = $known->id;
        $this->name = $known->name;
        $this->offsets = $known->offsets;
    }

    /**
     * A zone by what a file says of it (VTIMEZONE, RFC 5545, 3.6.5).
     *
     * @param  non-empty-list<Observance>  $observances
     */
    public static function embedded(string $name, array $observances): self
    {
        $name = str_replace("\n", ' ', $name);

        return new self(self::EMBEDDED.implode("\n", [$name, ...$observances]), $name, new ObservedOffsets($observances));
    }

    /** @return list<Observance> what a file says of it; nothing for a zone of the IANA database */
    public function observances(): array
    {
        return $this->offsets instanceof ObservedOffsets ? $this->offsets->observances : [];
    }

    /** @throws InvalidTime where the name means nothing */
    public static function of(string $name): self
    {
        return self::find($name) ?? throw new InvalidTime("No time zone is called “{$name}”.");
    }

    /** The zone by its id, its IANA name in any case, or a name that desktop programs write (CLDR's mapping). */
    public static function find(string $name): ?self
    {
        if (! array_key_exists($name, self::$known)) {
            // A hostile file may name any number of zones: what is remembered of them stays small.
            if (count(self::$known) > 1000) {
                self::$known = [];
            }
            self::$known[$name] = str_starts_with($name, self::EMBEDDED) ? self::reread(substr($name, strlen(self::EMBEDDED))) : self::resolve(trim($name, " \t\"/"));
        }

        return self::$known[$name];
    }

    public static function utc(): self
    {
        return self::of('UTC');
    }

    /** @return list<string> the names of the IANA database that are in use */
    public static function identifiers(): array
    {
        return DateTimeZone::listIdentifiers();
    }

    private static function resolve(string $name): ?self
    {
        // A bare offset or abbreviation is no zone: it knows no clock changes.
        if ($name === '' || preg_match('/^[+-]|^\d/', $name) === 1) {
            return null;
        }
        $canonical = self::canonicalNames()[strtolower($name)] ?? null;
        if ($canonical === null) {
            $windows = (string) IntlTimeZone::getIDForWindowsID($name);
            $canonical = $windows === '' ? self::atTheEndOf($name) : $windows;
        }

        return $canonical === null ? null : new self($canonical, $canonical, new IanaOffsets($canonical));
    }

    /** Some programs put a path of their own before an IANA name: `/example.org/20260101_1/Europe/London`. */
    private static function atTheEndOf(string $name): ?string
    {
        $parts = array_slice(explode('/', strtolower($name)), -3);
        while (count($parts) > 1) {
            $canonical = self::canonicalNames()[implode('/', $parts)] ?? null;
            if ($canonical !== null) {
                return $canonical;
            }
            array_shift($parts);
        }

        return null;
    }

    private static function reread(string $definition): ?self
    {
        $lines = explode("\n", $definition);
        $name = array_shift($lines);
        try {
            $observances = array_map(Observance::parse(...), $lines);
        } catch (InvalidArgumentException) {
            return null;
        }

        return $observances === [] ? null : self::embedded($name, $observances);
    }

    /** @return array<string, string> lower case to proper case */
    private static function canonicalNames(): array
    {
        /** @var array<string, string> $names */
        static $names = [];
        if ($names === []) {
            foreach (DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC) as $name) {
                $names[strtolower($name)] = $name;
            }
        }

        return $names;
    }

    /** The offset from UTC in seconds, positive to the east, in force at an instant. */
    public function offsetAt(int $utc): int
    {
        if ($utc >= $this->lastFrom && $utc < $this->lastTo) {
            return $this->lastOffset;
        }
        $era = CivilDate::floorDiv($utc, self::ERA);
        $transitions = $this->eras[$era] ??= $this->transitions($era);
        $low = 0;
        $high = count($transitions) - 1;
        while ($low < $high) {
            $middle = ($low + $high + 1) >> 1;
            if ($transitions[$middle][0] <= $utc) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        $this->lastFrom = max($transitions[$low][0], $era * self::ERA);
        $this->lastTo = $transitions[$low + 1][0] ?? ($era + 1) * self::ERA;

        return $this->lastOffset = $transitions[$low][1];
    }

    public function toLocal(int $utc): int
    {
        return $utc + $this->offsetAt($utc);
    }

    public function toUtc(int $local): int
    {
        // Most often the offset asked for last still holds a day before and a day after.
        $utc = $local - $this->lastOffset;
        if ($utc - 172_800 >= $this->lastFrom && $utc + 172_800 < $this->lastTo) {
            return $utc;
        }
        $before = $this->offsetAt($local - 86400);
        if ($this->offsetAt($local - $before) === $before) {
            return $local - $before;
        }
        $after = $this->offsetAt($local + 86400);

        return $this->offsetAt($local - $after) === $after ? $local - $after : $local - $before;
    }

    /**
     * The instants of many wall times at once.
     *
     * @param  list<int>  $locals
     * @return list<int>
     */
    public function toUtcEach(array $locals): array
    {
        $instants = [];
        foreach ($locals as $local) {
            $utc = $local - $this->lastOffset;
            $instants[] = $utc - 172_800 >= $this->lastFrom && $utc + 172_800 < $this->lastTo ? $utc : $this->toUtc($local);
        }

        return $instants;
    }

    /**
     * The changes of offset in [from, to), UTC seconds.
     *
     * @return list<array{at: int, from: int, to: int, abbreviation: string, daylight: bool}>
     */
    public function changes(int $from, int $to): array
    {
        $changes = [];
        $offset = $this->offsetAt($from - 1);
        foreach ($this->offsets->between($from, $to) as $transition) {
            if ($transition['ts'] >= $from && $transition['offset'] !== $offset) {
                $changes[] = [
                    'at' => $transition['ts'],
                    'from' => $offset,
                    'to' => $transition['offset'],
                    'abbreviation' => $transition['abbr'],
                    'daylight' => $transition['isdst'],
                ];
            }
            $offset = $transition['offset'];
        }

        return $changes;
    }

    /** @return non-empty-list<array{int, int}> */
    private function transitions(int $era): array
    {
        return array_map(
            static fn (array $transition): array => [$transition['ts'], $transition['offset']],
            $this->offsets->between($era * self::ERA, ($era + 1) * self::ERA),
        );
    }
}

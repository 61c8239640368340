<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

use DateTimeZone;
use IntlTimeZone;
use Throwable;

/**
 * A time zone of the IANA database, between wall time and UTC (both in seconds from 1970-01-01T00:00:00).
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

    private function __construct(public readonly string $name, private readonly DateTimeZone $zone)
    {
    }

    /** @throws InvalidTime where the name means nothing */
    public static function of(string $name): self
    {
        return self::find($name) ?? throw new InvalidTime("No time zone is called “{$name}”.");
    }

    /** The zone by its IANA name, in any case, or by a name that desktop programs write (CLDR's mapping). */
    public static function find(string $name): ?self
    {
        if (! array_key_exists($name, self::$known)) {
            // A hostile file may name any number of zones: what is remembered of them stays small.
            if (count(self::$known) > 1000) {
                self::$known = [];
            }
            self::$known[$name] = self::resolve(trim($name, " \t\"/"));
        }

        return self::$known[$name];
    }

    public static function utc(): self
    {
        return self::of('UTC');
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
            $canonical = $windows === '' ? null : $windows;
        }
        if ($canonical === null) {
            return null;
        }
        try {
            return new self($canonical, new DateTimeZone($canonical));
        } catch (Throwable) {
            return null;
        }
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

        return $transitions[$low][1];
    }

    public function toLocal(int $utc): int
    {
        return $utc + $this->offsetAt($utc);
    }

    public function toUtc(int $local): int
    {
        $before = $this->offsetAt($local - 86400);
        if ($this->offsetAt($local - $before) === $before) {
            return $local - $before;
        }
        $after = $this->offsetAt($local + 86400);

        return $this->offsetAt($local - $after) === $after ? $local - $after : $local - $before;
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
        foreach ($this->zone->getTransitions($from, $to - 1) ?: [] as $transition) {
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
        $list = [];
        foreach ($this->zone->getTransitions($era * self::ERA, ($era + 1) * self::ERA - 1) ?: [] as $transition) {
            $list[] = [$transition['ts'], $transition['offset']];
        }

        return $list === [] ? [[$era * self::ERA, 0]] : $list;
    }
}

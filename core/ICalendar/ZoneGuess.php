<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;

/** What a TZID most likely means that is no name of a zone: an offset, or a text for people with cities in it. */
final class ZoneGuess
{
    /** A day on which an offset that is told beside a city is compared: standard time in the north, daylight time in the south. */
    private const COMPARED = '2026-01-15T12:00:00';

    /** Whether a name is one such as EST or GMT: it may be short for what a file describes. */
    public static function isAbbreviation(string $name): bool
    {
        return preg_match('/^[A-Za-z]{2,5}(\d[A-Za-z]{0,4})?$/D', $name) === 1 && strtoupper($name) !== 'UTC';
    }

    public static function of(string $name): ?Zone
    {
        return self::byOffset($name) ?? self::likeliest($name);
    }

    /**
     * Zones whose city stands in a name such as `(UTC+01:00) Amsterdam, Berlin`, the city that stands first before others.
     *
     * @return list<Zone>
     */
    public static function byCity(string $name): array
    {
        $zones = [];
        foreach (Zone::identifiers() as $identifier) {
            $city = str_replace('_', ' ', substr((string) strrchr($identifier, '/'), 1));
            $at = strlen($city) > 3 ? stripos($name, $city) : false;
            if ($at !== false) {
                $zones[$identifier] = $at;
            }
        }
        asort($zones);

        return array_map(Zone::of(...), array_keys($zones));
    }

    /** `UTC+2`, `GMT-0330`, `+02:00`: always the same offset. */
    private static function byOffset(string $name): ?Zone
    {
        if (preg_match('/^\(?(?:UTC|GMT)?\s*([+-])(\d{1,2}):?(\d\d)?\)?$/Di', $name, $m) !== 1 || (int) $m[2] > 14 || (int) ($m[3] ?? 0) > 59) {
            return null;
        }
        $seconds = self::seconds($m);
        $called = sprintf('UTC%s%02d:%02d', $m[1], (int) $m[2], (int) ($m[3] ?? 0));

        return Zone::embedded($called, [new Observance(false, LocalDateTime::of(1970, 1, 1), $seconds, $seconds, str_replace(':', '', $called))]);
    }

    /** @param  array<string>  $m  from 1 on: a sign, hours, and minutes where they are told */
    private static function seconds(array $m): int
    {
        return ($m[1] === '-' ? -1 : 1) * ((int) $m[2] * 3600 + (int) ($m[3] ?? 0) * 60);
    }

    /** The first city that is named, of those that are on the offset that is told, where one is. */
    private static function likeliest(string $name): ?Zone
    {
        $zones = self::byCity($name);
        if (preg_match('/(?:UTC|GMT)\s*([+-])(\d{1,2}):?(\d\d)?/i', $name, $m) === 1) {
            $offset = self::seconds($m);
            $at = LocalDateTime::parse(self::COMPARED)->seconds;
            // On the other half of the globe that day is in summer.
            $fitting = array_filter($zones, static fn (Zone $zone): bool => in_array($zone->offsetAt($at), [$offset, $offset + 3600], true));
            $zones = $fitting === [] ? $zones : array_values($fitting);
        }

        return $zones[0] ?? null;
    }
}

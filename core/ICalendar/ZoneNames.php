<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Time\Zone;

/** What zones are called in one file: two that are different are never called the same there. */
final readonly class ZoneNames
{
    /** @param  array<string, string>  $names  TZID by the id of the zone; a zone that is not there is called by its own name */
    public function __construct(private array $names = [])
    {
    }

    /** @param  iterable<Zone>  $zones  the first of a name has it, each other has a number behind it */
    public static function of(iterable $zones): self
    {
        $names = $taken = [];
        foreach ($zones as $zone) {
            $name = $zone->name;
            for ($number = 2; isset($taken[$name]); $number++) {
                $name = "{$zone->name} ({$number})";
            }
            $taken[$name] = true;
            $names[$zone->id] = $name;
        }

        return new self($names);
    }

    public function nameOf(Zone $zone): string
    {
        return $this->names[$zone->id] ?? $zone->name;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

use DateTimeZone;

/** The offsets of a zone of the IANA database, as PHP carries it. */
final readonly class IanaOffsets implements ZoneOffsets
{
    private DateTimeZone $zone;

    public function __construct(string $name)
    {
        $this->zone = new DateTimeZone($name);
    }

    public function between(int $from, int $to): array
    {
        $list = [];
        foreach ($this->zone->getTransitions($from, $to - 1) ?: [] as $transition) {
            $list[] = ['ts' => $transition['ts'], 'offset' => $transition['offset'], 'isdst' => $transition['isdst'], 'abbr' => $transition['abbr']];
        }

        return $list === [] ? [['ts' => $from, 'offset' => 0, 'isdst' => false, 'abbr' => 'UTC']] : $list;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** Where a zone's offsets from UTC come from. */
interface ZoneOffsets
{
    /**
     * The offset in force at $from, and each one that takes effect after it and before $to.
     *
     * @param  int  $from  UTC seconds, inclusive
     * @param  int  $to  UTC seconds, exclusive
     * @return non-empty-list<array{ts: int, offset: int, isdst: bool, abbr: string}> by time; the first at $from. Offsets are seconds, positive to the east.
     */
    public function between(int $from, int $to): array;
}

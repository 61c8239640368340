<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\Zone;

/** The days that events close, as a clock in a zone counts days. */
final class ClosedDays
{
    /**
     * @param  iterable<IndexedOccurrence>  $closing  occurrences of events that close their days
     * @param  int  $from  day number of the first day that is asked for
     * @param  int  $to  day number, exclusive
     * @return array<int, string> the title of what closes it, by day number, ascending; of several the first
     */
    public static function of(iterable $closing, Zone $zone, int $from, int $to): array
    {
        $closed = [];
        foreach ($closing as $occurrence) {
            [$first, $last] = $occurrence->days($zone);
            for ($day = max($first, $from); $day <= min($last, $to - 1); $day++) {
                $closed[$day] ??= $occurrence->title;
            }
        }
        ksort($closed);

        return $closed;
    }
}

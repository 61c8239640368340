<?php

namespace App\Calendars;

/** The calendars that were looked for. */
final readonly class CalendarDirectoryData
{
    /**
     * @param  list<CalendarData>  $calendars
     */
    public function __construct(
        public int $total,
        public array $calendars,
    ) {
    }
}

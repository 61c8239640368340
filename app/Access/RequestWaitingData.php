<?php

namespace App\Access;

use App\Calendars\CalendarNameData;
use PinnedRota\Core\Access\Level;

/** A request that one may decide. */
final readonly class RequestWaitingData
{
    public function __construct(
        public int $id,
        public string $by,
        public string $post,
        public string $at,
        public Level $level,
        public string $message,
        public CalendarNameData $calendar,
    ) {
    }
}

<?php

namespace App\Access;

use App\Calendars\CalendarNameData;
use PinnedRota\Core\Access\Level;

/** The answer to one’s own request. */
final readonly class AnswerWaitingData
{
    public function __construct(
        public int $id,
        public string $by,
        public string $at,
        public Level $level,
        public CalendarNameData $calendar,
    ) {
    }
}

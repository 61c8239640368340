<?php

namespace App\Access;

use App\Calendars\CalendarNameData;
use PinnedRota\Core\Access\Level;

/** An invitation that one has not answered. */
final readonly class InvitationWaitingData
{
    public function __construct(
        public int $id,
        public string $by,
        public string $at,
        public Level $level,
        public string $means,
        public CalendarNameData $calendar,
    ) {
    }
}

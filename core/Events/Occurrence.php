<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** One time at which an event takes place. */
final readonly class Occurrence
{
    /**
     * @param  Event  $event  whose contents hold: the master, or the changed occurrence
     * @param  int  $startSeconds  on the index's axis (see EventTime::indexSeconds), inclusive
     * @param  int  $endSeconds  exclusive
     * @param  ?EventTime  $recurrenceId  the original start, null for an event that does not repeat
     */
    public function __construct(
        public Event $event,
        public EventTime $start,
        public int $startSeconds,
        public int $endSeconds,
        public ?EventTime $recurrenceId,
    ) {
    }

    /** The wall time at which it ends, in the zone of its start; exclusive. */
    public function localEnd(): LocalDateTime
    {
        $zone = $this->start->zone;

        return new LocalDateTime($zone === null ? $this->endSeconds : $zone->toLocal($this->endSeconds));
    }
}

<?php

namespace App\Events;

use PinnedRota\Core\Time\TimeKind;

/** One row of the index with what is drawn of its event, before anything is blanked. */
final readonly class IndexedOccurrence
{
    /**
     * @param  int  $starts  on the index's axis (see PinnedRota\Core\Time\EventTime::indexSeconds)
     * @param  int  $ends  exclusive
     * @param  int  $calendarId  the one by which it is looked at; its own is $homeCalendarId
     * @param  string  $categoryIds  comma-separated
     */
    public function __construct(
        public int $calendarId,
        public int $eventId,
        public int $seriesId,
        public ?string $recurrenceId,
        public int $starts,
        public int $ends,
        public TimeKind $kind,
        public string $title,
        public string $place,
        public string $status,
        public bool $busy,
        public bool $private,
        public bool $repeats,
        public ?int $createdBy,
        public string $categoryIds,
        public string $uid,
        public bool $hasParticipants,
        public int $homeCalendarId,
        public ?string $colour,
    ) {
    }

    /** Whether it is on the calendar by a pin, and not the calendar's own. */
    public function isPinned(): bool
    {
        return $this->homeCalendarId !== $this->calendarId;
    }
}

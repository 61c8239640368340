<?php

namespace App\Invitations;

use App\Calendars\CalendarNameData;

/** Something that came back by mail and waits for whoever asked. */
final readonly class ReplyWaitingData
{
    /**
     * @param  string  $from  Who it is from, as far as that is known
     * @param  string  $received  Moment
     * @param  ?string  $occurrence  The time that is meant, of a series; null: all of it
     * @param  string  $was  When it is now, as a clock in the zone of the person shows it
     * @param  ?string  $start  As proposed, on the same clock
     * @param  ?string  $end  Exclusive
     * @param  'accepted'|'declined'|'tentative'|'delegated'|null  $answer
     * @param  bool  $mayTake  Whether it can be taken: the event moved, the answer counted
     */
    public function __construct(
        public int $id,
        public ReplyKind $kind,
        public int $event,
        public ?string $occurrence,
        public string $title,
        public string $from,
        public string $received,
        public string $was,
        public ?string $start,
        public ?string $end,
        public bool $allDay,
        public ?string $answer,
        public string $note,
        public ?ReplyReason $reason,
        public bool $mayTake,
        public CalendarNameData $calendar,
    ) {
    }
}

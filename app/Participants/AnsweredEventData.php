<?php

namespace App\Participants;

use App\Calendars\CalendarNameData;

/** An event to which somebody answered of late whether they take part. */
final readonly class AnsweredEventData
{
    /**
     * @param  int  $id  of the event; of a series, of all of it
     * @param  ?string  $occurrence  The next time, where it is one of a series
     * @param  string  $start  of that time, as a clock in the zone of the person shows it
     * @param  string  $end  Exclusive
     * @param  'unanswered'|'accepted'|'declined'|'tentative'|'delegated'|'waiting'  $answer  That they gave
     */
    public function __construct(public int $id, public ?string $occurrence, public string $title, public string $start, public string $end, public bool $allDay, public string $answer, public CalendarNameData $calendar)
    {
    }
}

<?php

namespace App\Meetings;

/** A meeting online that is on, or begins within ten minutes. */
final readonly class OngoingMeetingData
{
    /**
     * @param  int  $event  Its id
     * @param  ?string  $occurrence  The time that is meant, of a series
     * @param  string  $start  On one’s own clock
     * @param  string  $url  Where it meets
     * @param  bool  $mine  Whether one takes part, or it is on one’s own calendar
     */
    public function __construct(public int $event, public ?string $occurrence, public string $title, public string $calendar, public string $start, public string $url, public bool $mine)
    {
    }
}

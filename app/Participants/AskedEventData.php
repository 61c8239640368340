<?php

namespace App\Participants;

use App\Calendars\CalendarNameData;

/** An event that asks somebody to take part, who has not answered. */
final readonly class AskedEventData
{
    /**
     * @param  int  $id  of the event; of a series, of all of it
     * @param  ?string  $occurrence  The next time that is asked for, where it is one of a series
     * @param  string  $start  of that time, as a clock in the zone of the person shows it
     * @param  string  $end  Exclusive
     * @param  int  $times  How many times of the coming year are asked for
     * @param  string  $by  Who asks
     * @param  ?int  $places  How many may come; null: no end to them
     */
    public function __construct(public int $id, public ?string $occurrence, public string $title, public string $place, public string $start, public string $end, public bool $allDay, public int $times, public string $by, public CalendarNameData $calendar, public bool $provisional, public ?int $places, public int $placesTaken)
    {
    }
}

<?php

namespace App\Reminders;

/** Of what one is reminded now. */
final readonly class ReminderNowData
{
    /**
     * @param  int  $id  Of the reminder: it is the same each time it is asked for
     * @param  int  $event  Its id
     * @param  ?string  $occurrence  The time that is meant, of a series
     * @param  string  $calendar  On which it is seen
     * @param  string  $start  On one’s own clock; a date, where it is all day
     * @param  string  $end  Exclusive
     * @param  ?string  $leave  When one leaves for it, on one’s own clock: HH:MM
     */
    public function __construct(public int $id, public int $event, public ?string $occurrence, public string $calendar, public string $title, public string $start, public string $end, public bool $allDay, public string $place, public ?string $leave)
    {
    }
}

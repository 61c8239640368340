<?php

namespace App\Access;

use App\Calendars\Calendar;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;

/** A calendar as one viewer may use it. */
final readonly class AccessibleCalendar
{
    public function __construct(public Calendar $calendar, public Decision $decision)
    {
    }

    public function level(): Level
    {
        return $this->decision->level;
    }

    public function mayAdd(): bool
    {
        return EventRights::mayAdd($this->eventLevel());
    }

    /** The events of a subscribed source are its publisher's: nobody changes them here. */
    public function eventLevel(): Level
    {
        return $this->calendar->isSubscribed() && $this->level()->includes(Level::Read) ? Level::Read : $this->level();
    }
}

<?php

namespace App\Access;

use App\Calendars\Calendar;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\OwnList;

/** A calendar as one viewer may use it. */
final readonly class AccessibleCalendar
{
    /** @param  ?bool  $chosen  whether the viewer wants it on their list; null where they have not chosen */
    public function __construct(public Calendar $calendar, public Decision $decision, public ?bool $chosen = null)
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

    /** The level that holds for its events: those of a source or an archived calendar are changed by nobody. */
    public function eventLevel(): Level
    {
        return EventRights::level($this->level(), $this->calendar->isSubscribed(), $this->calendar->isArchived());
    }

    /** Whether it is on the viewer's own list. */
    public function isOnList(): bool
    {
        return OwnList::has($this->decision, $this->chosen, $this->calendar->offered, $this->calendar->isArchived());
    }
}

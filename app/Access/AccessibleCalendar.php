<?php

namespace App\Access;

use App\Calendars\Calendar;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\OwnList;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** A calendar as one viewer may use it. */
final readonly class AccessibleCalendar
{
    /**
     * @param  ?bool  $chosen  whether the viewer wants it on their list; null where they have not chosen
     * @param  ?Colour  $ownColour  in which the viewer sees it, where that is another than it has
     * @param  ?Mark  $ownMark  the same of its mark
     */
    public function __construct(public Calendar $calendar, public Decision $decision, public ?bool $chosen = null, public ?Colour $ownColour = null, public ?Mark $ownMark = null)
    {
    }

    /** In which the viewer sees it. */
    public function colour(): Colour
    {
        return $this->ownColour ?? $this->calendar->colour;
    }

    public function mark(): Mark
    {
        return $this->ownMark ?? $this->calendar->mark;
    }

    public function level(): Level
    {
        return $this->decision->level;
    }

    /** The same, at another level than the viewer has: of a frame that allows less. */
    public function within(Level $level): self
    {
        return $level === $this->level() ? $this : new self($this->calendar, $this->decision->at($level), $this->chosen, $this->ownColour, $this->ownMark);
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

<?php

namespace App\Access;

use App\Calendars\Calendar;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Publishing\Detail;

/** With whose eyes something is looked at: one's own, those of somebody whom a manager looks as, or an outsider's. */
final readonly class Perspective
{
    /**
     * @param  Collection<int, AccessibleCalendar>  $calendars  what is seen at all, by id
     * @param  bool  $readOnly  whether nothing can be changed by it, such as where a manager looks as somebody else
     * @param  ?Level  $atMost  what is seen of events at most, whatever the viewer has: of a feed of busy times
     * @param  bool  $whole  whether all is seen, also of calendars that come from outside or are archived
     * @param  ?Detail  $published  how much is told of what is seen, where it goes out to whoever has no account
     * @param  ?self  $looker  whoever looks with these eyes, where that is somebody else: what is hidden from them stays so
     */
    public function __construct(public Viewer $viewer, public Collection $calendars, public bool $readOnly = false, private ?Level $atMost = null, private bool $whole = false, public ?self $looker = null, public ?Detail $published = null)
    {
    }

    /** Of whoever runs the site: all that is on a calendar. Its source must be loaded. */
    public static function whole(Calendar $calendar): self
    {
        return new self(Viewer::outsider(), collect([$calendar->id => new AccessibleCalendar($calendar, new Decision(Level::Manage, []))]), true, whole: true);
    }

    /** The level that holds for the events of a calendar. */
    public function eventLevel(int $calendarId): Level
    {
        $calendar = $this->calendars[$calendarId] ?? null;
        $level = ($this->whole ? $calendar?->level() : $calendar?->eventLevel()) ?? Level::None;

        return $this->atMost !== null && $level->includes($this->atMost) ? $this->atMost : $level;
    }

    /** The same, with nothing but one calendar in it. */
    public function on(int $calendarId): self
    {
        return new self($this->viewer, $this->calendars->only([$calendarId]), $this->readOnly, $this->atMost, $this->whole, $this->looker, $this->published);
    }

    /** @return list<int> of the calendars on which the viewer has a level or more */
    public function calendarIds(Level $atLeast): array
    {
        return $this->calendars->keys()->filter(fn (int $id): bool => $this->eventLevel($id)->includes($atLeast))->values()->all();
    }
}

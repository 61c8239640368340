<?php

namespace App\Overlays;

use App\Calendars\Calendar;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What is to be drawn: the days of a window, through an overlay, of one calendar, of people or a room, or of all that are on somebody’s list. */
final readonly class SheetQuery
{
    /**
     * @param  LocalDateTime  $from  the first day
     * @param  LocalDateTime  $to  the day after the last
     * @param  Zone  $zone  on whose wall days and times are told
     * @param  Filter  $filter  the quick filter on top of whatever is looked through
     * @param  ?DrawnLayers  $layers  through which it is looked, where they are known: of a publication they are its publisher's
     */
    public function __construct(
        public LocalDateTime $from,
        public LocalDateTime $to,
        public Zone $zone,
        public ?Overlay $overlay = null,
        public ?Calendar $calendar = null,
        public Filter $filter = new Filter,
        public Grouping $grouping = Grouping::Layer,
        public ?SheetParty $party = null,
        public ?DrawnLayers $layers = null,
    ) {
    }
}

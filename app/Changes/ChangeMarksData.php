<?php

namespace App\Changes;

/** Marks that are others as soon as something has changed: of oneself alone, they tell nothing of the pace of what others do. */
final readonly class ChangeMarksData
{
    /**
     * @param  string  $events  Of the events of the calendars that one sees
     * @param  string  $access  Of who may see what, and of whatever else is kept: whoever sees more calendars sees more events, too
     */
    public function __construct(
        public string $events,
        public string $access,
    ) {
    }
}

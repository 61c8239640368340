<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\Filter;

/** A layer of the sheet: from a kept overlay, or a calendar on its own. */
final readonly class DrawnLayer
{
    /** @param  list<int>  $calendarIds those that the viewer may see */
    public function __construct(
        public string $name,
        public string $about,
        public string $colour,
        public string $mark,
        public array $calendarIds,
        public Filter $filter,
        public bool $isRest = false,
        public string $pattern = 'plain',
    ) {
    }
}

<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\Filter;

/** A layer of the sheet: from a kept overlay, or a calendar on its own. */
final readonly class DrawnLayer
{
    /**
     * @param  list<int>  $calendarIds those that the viewer may see
     * @param  bool  $asksText  whether its filter asks for words: they are read for no other
     * @param  bool  $asksPeople  whether it asks who takes part
     */
    public function __construct(
        public string $name,
        public string $about,
        public string $colour,
        public string $mark,
        public array $calendarIds,
        public Filter $filter,
        public bool $isRest = false,
        public bool $asksText = false,
        public bool $asksPeople = false,
        public string $pattern = 'plain',
    ) {
    }
}

<?php

namespace App\Overlays;

/** How full each day of a window is. */
final readonly class RulerData
{
    /**
     * @param  list<int>  $loads
     * @param  list<string>  $closed
     * @param  list<SchoolWeekData>  $weeks  Of the window, those that are in a term
     */
    public function __construct(
        public string $from,
        public array $loads,
        public array $closed,
        public array $weeks,
    ) {
    }
}

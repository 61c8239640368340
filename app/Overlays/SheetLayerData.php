<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/** A layer of the sheet. */
final readonly class SheetLayerData
{
    /**
     * @param  list<string>  $calendars
     */
    public function __construct(
        public string $name,
        public string $about,
        public Colour $colour,
        public Mark $mark,
        public Pattern $pattern,
        public array $calendars,
        public ?string $target,
    ) {
    }
}

<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/** A layer of the sheet: from a kept overlay, or a calendar on its own. */
final readonly class DrawnLayer
{
    /**
     * @param  list<int>  $calendarIds  those that the viewer may see
     * @param  bool  $anyTarget  whether what is begun in it may go on any calendar: the layer is of people, not of calendars
     */
    public function __construct(
        public string $name,
        public string $about,
        public Colour $colour,
        public Mark $mark,
        public array $calendarIds,
        public Filter $filter,
        public bool $isRest = false,
        public Pattern $pattern = Pattern::Plain,
        public bool $anyTarget = false,
    ) {
    }

    public function narrowed(Filter $filter): self
    {
        return new self($this->name, $this->about, $this->colour, $this->mark, $this->calendarIds, $this->filter->and($filter), $this->isRest, $this->pattern, $this->anyTarget);
    }
}

<?php

namespace App\Calendars;

use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** A calendar by name. */
final readonly class CalendarNameData
{
    public function __construct(
        public string $slug,
        public string $name,
        public Colour $colour,
        public Mark $mark,
    ) {
    }

    public static function of(Calendar $calendar): self
    {
        return new self($calendar->slug, $calendar->name, $calendar->colour, $calendar->mark);
    }
}

<?php

namespace App\Calendars;

use PinnedRota\Core\Overlay\Colour;

/** A category of one calendar, or common to the organisation. */
final readonly class CategoryData
{
    public function __construct(
        public int $id,
        public string $name,
        public ?Colour $colour,
        public bool $closesDay,
        public ?string $calendar,
    ) {
    }

    /** @param  ?string  $calendar  the name in addresses of its calendar */
    public static function of(Category $category, ?string $calendar): self
    {
        return new self($category->id, $category->name, $category->colour, $category->closes_day, $calendar);
    }
}

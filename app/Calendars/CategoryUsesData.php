<?php

namespace App\Calendars;

/** Where a category is in use. */
final readonly class CategoryUsesData
{
    /**
     * @param  ?string  $first  The day of the first event that has it
     * @param  ?string  $last  The day on which the last one begins
     */
    public function __construct(
        public int $events,
        public ?string $first,
        public ?string $last,
    ) {
    }
}

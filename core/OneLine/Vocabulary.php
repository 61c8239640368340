<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\SchoolYear\SchoolYear;

/** The names that a line may mention, as far as its writer may know them. */
final readonly class Vocabulary
{
    /**
     * @param  list<string>  $places  rooms among them
     * @param  list<string>  $categories
     * @param  array<int, string>  $people  by id
     * @param  array<int, string>  $groups  by id
     * @param  array<string, string>  $calendars  those that the writer may add to, by slug
     * @param  array<int, string>  $rooms  by id
     * @param  list<NamedDay>  $days  that may be named: “until half-term”
     * @param  ?SchoolYear  $year  whose weeks may be named: “week 4”
     */
    public function __construct(
        public array $places = [],
        public array $categories = [],
        public array $people = [],
        public array $groups = [],
        public array $calendars = [],
        public array $rooms = [],
        public array $days = [],
        public ?SchoolYear $year = null,
    ) {
    }
}

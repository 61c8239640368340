<?php

namespace App\Directory;

/** What a table of people would add and change. */
final readonly class PeoplePlanData
{
    /**
     * @param  list<PeopleRowData>  $rows
     */
    public function __construct(
        public string $digest,
        public bool $applied,
        public array $rows,
    ) {
    }
}

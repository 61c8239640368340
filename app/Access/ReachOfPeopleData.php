<?php

namespace App\Access;

/** The levels that people have on a calendar. */
final readonly class ReachOfPeopleData
{
    /**
     * @param  list<PersonReachedData>  $people
     */
    public function __construct(
        public int $total,
        public array $people,
    ) {
    }
}

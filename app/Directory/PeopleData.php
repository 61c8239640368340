<?php

namespace App\Directory;

/** A page of the people of the organisation. */
final readonly class PeopleData
{
    /**
     * @param  list<DirectoryPersonData>  $people
     */
    public function __construct(
        public int $total,
        public int $pages,
        public array $people,
    ) {
    }
}

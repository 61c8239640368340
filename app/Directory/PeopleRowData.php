<?php

namespace App\Directory;

use PinnedRota\Core\Directory\PeopleVerdict;

/** A line of a table of people. */
final readonly class PeopleRowData
{
    /**
     * @param  list<string>  $notes
     * @param  list<string>  $groups
     */
    public function __construct(
        public int $line,
        public PeopleVerdict $verdict,
        public array $notes,
        public string $name,
        public string $email,
        public string $post,
        public array $groups,
    ) {
    }
}

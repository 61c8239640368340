<?php

namespace App\Access;

use PinnedRota\Core\Access\Level;

/** The level that a person has on a calendar. */
final readonly class PersonReachedData
{
    /**
     * @param  list<ReasonInWordsData>  $reasons
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $post,
        public Level $level,
        public array $reasons,
    ) {
    }
}

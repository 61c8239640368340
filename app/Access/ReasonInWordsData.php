<?php

namespace App\Access;

use PinnedRota\Core\Access\Level;

/** Why somebody has a level. */
final readonly class ReasonInWordsData
{
    public function __construct(
        public Level $level,
        public string $words,
    ) {
    }
}

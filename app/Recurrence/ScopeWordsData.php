<?php

namespace App\Recurrence;

use PinnedRota\Core\Recurrence\ScopeWords;

/** What becomes of other times of a series when something is done with one time, it and all that follow, or all of them. */
final readonly class ScopeWordsData
{
    public function __construct(
        public string $one,
        public string $following,
        public string $all,
    ) {
    }

    public static function of(ScopeWords $words): self
    {
        return new self($words->one, $words->following, $words->all);
    }
}

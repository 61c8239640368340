<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** What something done with a series comes to, by what of it is meant: one time, it and all that follow, or all of them. */
final readonly class ScopeWords
{
    public function __construct(public string $one, public string $following, public string $all)
    {
    }
}

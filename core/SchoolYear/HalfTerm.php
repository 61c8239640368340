<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

/** Days within a term on which there is no school: a half-term, a reading week. */
final readonly class HalfTerm
{
    /**
     * @param  int  $first  day number
     * @param  int  $last  day number, inclusive
     */
    public function __construct(public string $name, public int $first, public int $last)
    {
    }

    public function has(int $day): bool
    {
        return $this->first <= $day && $day <= $this->last;
    }
}

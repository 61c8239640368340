<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

/** Where weeks alternate: which of the two one is. */
enum WeekLetter: string
{
    case A = 'A';
    case B = 'B';

    /** The letter so many weeks on. */
    public function after(int $weeks): self
    {
        return $weeks % 2 === 0 ? $this : ($this === self::A ? self::B : self::A);
    }
}

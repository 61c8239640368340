<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

/** In which weeks of school something repeats: in all of a term, or in those of one letter. */
enum TermWeeks: string
{
    case Term = 'term';
    case A = 'A';
    case B = 'B';

    public function words(): string
    {
        return $this === self::Term ? 'in term only' : "in {$this->value} weeks only";
    }
}

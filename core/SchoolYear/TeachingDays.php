<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

/** The days on which something is that is in term only: those of its terms, without half-terms and what is closed. */
final readonly class TeachingDays
{
    /** @param  array<int, mixed>  $closed  by day number: days that closures close */
    public function __construct(public TermWeeks $weeks, private SchoolYear $year, private array $closed = [])
    {
    }

    /**
     * Whether it is on a day. Before the first term that is known nothing tells otherwise, so that what was stays; after the last there is
     * no school yet. Where no terms are known at all only closures count.
     */
    public function has(int $day): bool
    {
        if (isset($this->closed[$day])) {
            return false;
        }
        $terms = $this->year->terms;
        if ($terms === [] || $day < $terms[0]->first) {
            return true;
        }

        return $this->year->isInTerm($day) && ($this->weeks === TermWeeks::Term || ($this->year->weekOf($day)->letter->value ?? $this->weeks->value) === $this->weeks->value);
    }

    /** The last day of the last term that is known; null where none is. */
    public function last(): ?int
    {
        return $this->year->terms === [] ? null : $this->year->terms[count($this->year->terms) - 1]->last;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

/** A week of a term: one in which there is school, by its number, or one of a half-term. */
final readonly class SchoolWeek
{
    /**
     * @param  int  $monday  day number
     * @param  ?int  $number  among the weeks of its term in which there is school, from 1; null in a half-term
     * @param  ?WeekLetter  $letter  where weeks alternate
     * @param  ?string  $halfTerm  the name of the half-term that it is
     */
    public function __construct(public int $monday, public string $term, public ?int $number, public ?WeekLetter $letter, public ?string $halfTerm = null)
    {
    }

    /** Such as “Autumn, week 12 · B”, or “Autumn, half-term”. */
    public function name(): string
    {
        return "{$this->term}, ".($this->halfTerm !== null ? mb_strtolower($this->halfTerm) : "week {$this->number}".($this->letter === null ? '' : " · {$this->letter->value}"));
    }

    /** The same where the term is clear: “12 · B”, “half-term”. */
    public function short(): string
    {
        return $this->halfTerm !== null ? mb_strtolower($this->halfTerm) : $this->number.($this->letter === null ? '' : " · {$this->letter->value}");
    }
}

<?php

namespace App\Organisation;

use PinnedRota\Core\SchoolYear\WeekLetter;

/** A term of a school. */
final readonly class TermData
{
    /**
     * @param  string  $to  The last day, inclusive
     * @param  WeekLetter  $startsWith  What its first week is, where weeks alternate
     * @param  list<HalfTermData>  $halfTerms
     */
    public function __construct(public string $name, public string $from, public string $to, public WeekLetter $startsWith, public array $halfTerms)
    {
    }
}

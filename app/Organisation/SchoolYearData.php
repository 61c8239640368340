<?php

namespace App\Organisation;

use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\WeekLetter;

/** The terms of a school, and how its weeks are counted. */
final readonly class SchoolYearData
{
    /**
     * @param  list<TermData>  $terms  In order, of as many years as are known
     * @param  bool  $alternates  Whether weeks are A and B in turn
     * @param  bool  $halfTermCounts  Whether the weeks of a half-term take their turn
     */
    public function __construct(public array $terms, public bool $alternates, public bool $halfTermCounts)
    {
    }

    public static function of(SchoolYear $year): self
    {
        $told = $year->toArray();

        return new self(
            array_map(static fn (array $term): TermData => new TermData($term['name'], $term['from'], $term['to'], WeekLetter::from($term['startsWith']), array_map(static fn (array $half): HalfTermData => new HalfTermData($half['name'], $half['from'], $half['to']), $term['halfTerms'])), $told['terms']),
            $told['alternates'], $told['halfTermCounts'],
        );
    }
}

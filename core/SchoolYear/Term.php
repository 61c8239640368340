<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

use PinnedRota\Core\Time\CivilDate;

/** A part of a school's year in which it teaches, from its first day to its last. */
final readonly class Term
{
    /**
     * @param  int  $first  day number
     * @param  int  $last  day number, inclusive
     * @param  list<HalfTerm>  $halfTerms  within it, in order
     * @param  WeekLetter  $startsWith  what its first week is, where weeks alternate
     */
    public function __construct(public string $name, public int $first, public int $last, public array $halfTerms = [], public WeekLetter $startsWith = WeekLetter::A)
    {
    }

    /** The half-term that a day is in. */
    public function halfTermOn(int $day): ?HalfTerm
    {
        foreach ($this->halfTerms as $each) {
            if ($each->has($day)) {
                return $each;
            }
        }

        return null;
    }

    /** Whether there is school on a day as far as terms tell; what closures close, and the end of a week, is another question. */
    public function teaches(int $day): bool
    {
        return $this->first <= $day && $day <= $this->last && $this->halfTermOn($day) === null;
    }

    /** Whether a week has a day from Monday to Friday on which there is school. */
    public function teachesInWeek(int $monday): bool
    {
        for ($day = $monday; $day < $monday + 5; $day++) {
            if ($this->teaches($day)) {
                return true;
            }
        }

        return false;
    }

    /** Monday of the week in which it begins; of the next where it begins on a weekend. */
    public function firstMonday(): int
    {
        $weekday = CivilDate::weekday($this->first);

        return $this->first - $weekday + ($weekday > 4 ? 7 : 0);
    }
}

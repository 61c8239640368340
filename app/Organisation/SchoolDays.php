<?php

namespace App\Organisation;

use App\Occurrences\ClosingTimes;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\TeachingDays;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\Zone;

/** The days of school, for whatever is kept to them; read at most once a request. */
final class SchoolDays
{
    /** @var array<string, TeachingDays> */
    private array $known = [];

    public function __construct(private readonly Organisation $organisation)
    {
    }

    public function of(TermWeeks $weeks): TeachingDays
    {
        $settings = $this->organisation->settings();

        return $this->known[$weeks->value] ??= $this->wouldBe($weeks, $settings->year(), $settings->closures);
    }

    /** As it would be with other terms and closures. */
    public function wouldBe(TermWeeks $weeks, SchoolYear $year, ?int $closures): TeachingDays
    {
        return new TeachingDays($weeks, $year, $closures === null ? [] : ClosingTimes::days($closures, Zone::of($this->organisation->timezone())));
    }

    /** They are others from now on. */
    public function forget(): void
    {
        $this->known = [];
    }
}

<?php

namespace App\Overlays;

use PinnedRota\Core\SchoolYear\SchoolWeek;
use PinnedRota\Core\Time\LocalDateTime;

/** What a school calls a week. */
final readonly class SchoolWeekData
{
    /**
     * @param  string  $monday  The day it begins on
     * @param  string  $name  Such as “Autumn, week 12 · B”
     * @param  string  $short  The same where the term is clear: “12 · B”, “half-term”
     * @param  ?int  $number  Among the weeks of its term; null in a half-term
     */
    public function __construct(public string $monday, public string $term, public string $name, public string $short, public ?int $number)
    {
    }

    /**
     * @param  list<SchoolWeek>  $weeks
     * @return list<self>
     */
    public static function list(array $weeks): array
    {
        return array_map(static fn (SchoolWeek $week): self => new self(
            LocalDateTime::midnight($week->monday)->toDate(), $week->term, $week->name(), $week->short(), $week->number,
        ), $weeks);
    }
}

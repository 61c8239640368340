<?php

namespace App\Recurrence;

use PinnedRota\Core\Recurrence\MonthBy;
use PinnedRota\Core\Recurrence\RepeatPick;
use PinnedRota\Core\Recurrence\RepeatUnit;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Time\LocalDateTime;

/** A repeat as it is picked in a form; its end is told beside it. */
final readonly class RepeatPickData
{
    /** @param  list<'MO'|'TU'|'WE'|'TH'|'FR'|'SA'|'SU'>  $weekdays  Of weeks */
    public function __construct(
        public RepeatUnit $unit,
        public int $interval,
        public array $weekdays,
        public MonthBy $monthBy,
    ) {
    }

    /** Null where the rule has more than there is to pick. */
    public static function of(Rule $rule, LocalDateTime $start): ?self
    {
        $pick = RepeatPick::of($rule, $start);

        return $pick === null ? null : new self($pick->unit, $pick->interval, array_map(static fn (int $day): string => WeekdayRule::NAMES[$day], $pick->weekdays), $pick->monthBy);
    }
}

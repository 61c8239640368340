<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;

/** Whether a rule produces the start of its series (DTSTART), which RFC 5545, 3.8.5.3 asks for, and if not, what it produces first. */
final class StartOfRule
{
    /** So many days from the start are looked at, one after the other, until there is something: the calendar repeats after 400 years. */
    private const WITHIN = [2, 32, 400, 4_000, 150_000];

    public static function isProduced(Rule $rule, EventTime $start): bool
    {
        if ($rule->byHour === [] && $rule->byMinute === [] && $rule->bySecond === [] && (! $rule->namesDays() || self::isOnWeekday($rule, $start))) {
            return true;
        }
        $at = $start->local->seconds;

        return self::expander($rule, $start)->between($at, $at + 1) !== [];
    }

    /** The first time of a series of that start after a time of it, whatever COUNT and UNTIL say; null where there is none. */
    public static function firstAfter(Rule $rule, EventTime $start, EventTime $time): ?EventTime
    {
        $from = $time->local->seconds + 1;
        foreach (self::WITHIN as $days) {
            $first = self::expander($rule, $start)->between($from, $from + $days * CivilDate::SECONDS_PER_DAY)[0] ?? null;
            if ($first !== null) {
                return $start->at(new LocalDateTime($first));
            }
        }

        return null;
    }

    /** What most rules are that name days: on some weekdays, of which the start is one. */
    private static function isOnWeekday(Rule $rule, EventTime $start): bool
    {
        $others = [...$rule->byMonthDay, ...$rule->byYearDay, ...$rule->byWeekNumber, ...$rule->byMonth, ...$rule->bySetPosition];

        return $others === [] && in_array(CivilDate::weekday($start->local->day()), array_map(static fn (WeekdayRule $each): int => $each->ordinal === 0 ? $each->weekday : -1, $rule->byDay), true);
    }

    private static function expander(Rule $rule, EventTime $start): RuleExpander
    {
        return new RuleExpander($rule->endingBy(null, null), $start->local, $start->kind === TimeKind::Date);
    }
}

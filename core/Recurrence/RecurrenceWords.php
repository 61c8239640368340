<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\EventTime;

/** How a series repeats in plain English: its rules, the days that are left out, the days that are added. */
final class RecurrenceWords
{
    /** More days than this are counted, not named. */
    private const NAMED = 4;

    /** @return string empty where it does not repeat */
    public static function of(RecurrenceSet $set, EventTime $start): string
    {
        if (! $set->repeats()) {
            return '';
        }
        $words = implode('; and ', array_map(static fn (Rule $rule): string => RuleWords::of($rule, $start), $set->rules));
        if ($set->within !== null && $set->rules !== []) {
            $words .= ', '.$set->within->weeks->words();
        }
        $extra = self::days(array_map(static fn (ExtraDate $date): EventTime => $date->start, $set->extraDates), $start);
        if ($extra !== '') {
            $words .= $words === '' ? 'on '.RuleWords::day($start, $start).' and '.$extra : ', also on '.$extra;
        }
        $skipped = self::days($set->skippedDates, $start);

        return $skipped === '' ? $words : "{$words}, but not on {$skipped}";
    }

    /** @param  list<EventTime>  $times */
    private static function days(array $times, EventTime $start): string
    {
        if (count($times) > self::NAMED) {
            return count($times).' days';
        }
        usort($times, static fn (EventTime $a, EventTime $b): int => $a->indexSeconds() <=> $b->indexSeconds());

        return RuleWords::join(array_map(static fn (EventTime $time): string => RuleWords::day($time, $start), $times));
    }
}

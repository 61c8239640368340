<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** A rule in plain English, for people to check; a part that has no plain words yet is told by its name. */
final class RuleWords
{
    private const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    private const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

    private const ORDINALS = [1 => 'first', 2 => 'second', 3 => 'third', 4 => 'fourth', 5 => 'fifth', -1 => 'last', -2 => 'second-last'];

    public static function of(Rule $rule, EventTime $start): string
    {
        $words = self::every($rule);
        if ($rule->byDay !== []) {
            $words .= ' on '.self::weekdays($rule->byDay);
        } elseif ($rule->frequency === Frequency::Weekly) {
            $words .= ' on '.self::DAYS[CivilDate::weekday($start->local->day())];
        }
        if ($rule->byMonthDay !== []) {
            $words .= ' on '.self::join(array_map(self::monthDay(...), $rule->byMonthDay));
        }
        if ($rule->byMonth !== []) {
            $words .= ' in '.self::join(array_map(static fn (int $month): string => self::MONTHS[$month - 1], $rule->byMonth));
        }
        $rest = ['weeks' => $rule->byWeekNumber, 'days of the year' => $rule->byYearDay, 'hours' => $rule->byHour, 'minutes' => $rule->byMinute, 'seconds' => $rule->bySecond, 'only number' => $rule->bySetPosition];
        foreach ($rest as $name => $numbers) {
            if ($numbers !== []) {
                $words .= ", {$name} ".self::join(array_map(strval(...), $numbers));
            }
        }
        $words .= match ($rule->skip) {
            Skip::Omit => '',
            Skip::Backward => ', on the last day of months that are too short',
            Skip::Forward => ', on the first day after months that are too short',
        };
        if ($rule->count !== null) {
            return $words.', '.($rule->count === 1 ? 'once' : "{$rule->count} times");
        }

        return $rule->until === null ? $words : $words.' until '.self::day($rule->until, $start);
    }

    private static function every(Rule $rule): string
    {
        $unit = match ($rule->frequency) {
            Frequency::Yearly => 'year',
            Frequency::Monthly => 'month',
            Frequency::Weekly => 'week',
            Frequency::Daily => 'day',
            Frequency::Hourly => 'hour',
            Frequency::Minutely => 'minute',
            Frequency::Secondly => 'second',
        };

        return match ($rule->interval) {
            1 => "every {$unit}",
            2 => "every other {$unit}",
            default => "every {$rule->interval} {$unit}s",
        };
    }

    private static function monthDay(int $day): string
    {
        $ordinal = static fn (int $number): string => $number.(in_array($number % 100, [11, 12, 13], true) ? 'th' : [1 => 'st', 2 => 'nd', 3 => 'rd'][$number % 10] ?? 'th');

        return match (true) {
            $day > 0 => 'the '.$ordinal($day),
            $day === -1 => 'its last day',
            default => 'its '.$ordinal(-$day).'-last day',
        };
    }

    /** @param  non-empty-list<WeekdayRule>  $days */
    private static function weekdays(array $days): string
    {
        $weekdays = array_unique(array_map(static fn (WeekdayRule $day): int => $day->weekday, $days));
        $ordinals = array_map(static fn (WeekdayRule $day): string => self::ORDINALS[$day->ordinal] ?? '', $days);

        // Several of one weekday name it once: the first and third Tuesday.
        return count($days) > 1 && count($weekdays) === 1 && ! in_array('', $ordinals, true)
            ? 'the '.self::join($ordinals).' '.self::DAYS[$weekdays[0]]
            : self::join(array_map(self::weekday(...), $days));
    }

    private static function weekday(WeekdayRule $day): string
    {
        return ($day->ordinal === 0 ? '' : 'the '.(self::ORDINALS[$day->ordinal] ?? "{$day->ordinal}.").' ').self::DAYS[$day->weekday];
    }

    /** The day on which a time lies, on the wall of a series that starts then. */
    public static function day(EventTime $time, EventTime $start): string
    {
        $local = $time->kind === TimeKind::Zoned && $start->zone !== null ? $time->inZone($start->zone)->local : $time->local;
        [$year, $month, $day] = CivilDate::fromDays($local->day());

        return sprintf('%d %s %d', $day, self::MONTHS[$month - 1], $year);
    }

    /** @param  list<string>  $items */
    public static function join(array $items): string
    {
        $last = array_pop($items);

        return $items === [] ? (string) $last : implode(', ', $items).' and '.$last;
    }
}

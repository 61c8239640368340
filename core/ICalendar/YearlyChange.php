<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\DaySelector;
use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Zone;

/**
 * A change of offset that a zone makes every year by one rule, such as the last Sunday of March, and since when.
 */
final readonly class YearlyChange
{
    /** The years, last exclusive, in which a zone is watched for what it goes on by; all that is special is before them. */
    public const YEARS = [2090, 2130];

    /** @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $first  the first that the rule makes */
    private function __construct(public array $first, public Rule $rule)
    {
    }

    /**
     * @return list<self> none where the zone keeps to one offset, or to no rule that a year has
     */
    public static function of(Zone $zone, int $sinceYear): array
    {
        [$from, $to] = array_map(static fn (int $year): int => CivilDate::toDays($year, 1, 1) * CivilDate::SECONDS_PER_DAY, self::YEARS);
        $kinds = [];
        foreach ($zone->changes($from, $to) as $change) {
            $kinds[self::kind($change)][] = $change;
        }
        $yearly = [];
        foreach ($kinds as $kind => $changes) {
            $rule = self::ruleOf($changes);
            if ($rule === null || count($changes) !== self::YEARS[1] - self::YEARS[0]) {
                return [];
            }
            $yearly[] = new self(self::earliest($zone, (string) $kind, $rule, $changes[0], $sinceYear), $rule);
        }

        return $yearly;
    }

    /** @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $change */
    public function covers(array $change): bool
    {
        return $change['at'] >= $this->first['at'] && self::kind($change) === self::kind($this->first);
    }

    /** @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $change */
    private static function kind(array $change): string
    {
        return "{$change['from']} {$change['to']} {$change['abbreviation']}";
    }

    /** @param  non-empty-list<array{at: int, from: int, to: int, abbreviation: string, daylight: bool}>  $changes */
    private static function ruleOf(array $changes): ?Rule
    {
        $months = $weekdays = $times = $days = $fromEnd = [];
        foreach ($changes as $change) {
            [$day, $time] = self::dayAndTime($change);
            [$year, $month, $ofMonth] = CivilDate::fromDays($day);
            $months[$month] = $weekdays[CivilDate::weekday($day)] = $times[$time] = true;
            $days[] = $ofMonth;
            $fromEnd[] = CivilDate::daysInMonth($year, $month) - $ofMonth;
        }
        $least = min($days);
        if (count($months) > 1 || count($weekdays) > 1 || count($times) > 1 || (max($days) - $least > 6 && max($fromEnd) > 6)) {
            return null;
        }
        $weekday = array_key_first($weekdays);
        $ordinal = match (true) {
            max($fromEnd) <= 6 => -1,
            $least % 7 === 1 => intdiv($least, 7) + 1,
            default => 0,
        };

        return new Rule(
            Frequency::Yearly,
            byDay: [new WeekdayRule($weekday, $ordinal)],
            byMonthDay: $ordinal === 0 ? range($least, $least + 6) : [],
            byMonth: [array_key_first($months)],
        );
    }

    /**
     * The first change of this kind since a year, from which on the rule makes each.
     *
     * @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $known
     * @return array{at: int, from: int, to: int, abbreviation: string, daylight: bool}
     */
    private static function earliest(Zone $zone, string $kind, Rule $rule, array $known, int $sinceYear): array
    {
        $from = CivilDate::toDays($sinceYear, 1, 1) * CivilDate::SECONDS_PER_DAY;
        $changes = array_values(array_filter($zone->changes($from, $known['at']), static fn (array $change): bool => self::kind($change) === $kind));
        $time = self::dayAndTime($known)[1];
        foreach (array_reverse($changes) as $change) {
            $follows = CivilDate::fromDays(self::dayAndTime($change)[0])[0] === CivilDate::fromDays(self::dayAndTime($known)[0])[0] - 1;
            $both = self::ruleOf([$change, $known]);
            if (! $follows || $both === null || self::dayAndTime($change)[1] !== $time || ! self::makes($rule, $change)) {
                break;
            }
            $known = $change;
        }

        return $known;
    }

    /** @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $change */
    private static function makes(Rule $rule, array $change): bool
    {
        $day = self::dayAndTime($change)[0];

        return in_array($day, (new DaySelector($rule, $day))->inYear(CivilDate::fromDays($day)[0]), true);
    }

    /**
     * On the wall as it was before the change.
     *
     * @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $change
     * @return array{int, int} day number, second of the day
     */
    private static function dayAndTime(array $change): array
    {
        $local = $change['at'] + $change['from'];
        $day = CivilDate::floorDiv($local, CivilDate::SECONDS_PER_DAY);

        return [$day, $local - $day * CivilDate::SECONDS_PER_DAY];
    }
}

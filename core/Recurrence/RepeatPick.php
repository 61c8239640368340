<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** A repeat as it is picked in a form, without its end: every so many days, weeks, months or years, as the start has it. */
final readonly class RepeatPick
{
    /**
     * @param  int  $interval  every so many, from 1
     * @param  list<int>  $weekdays  of weeks; 0 is Monday
     *
     * @throws InvalidRule
     */
    public function __construct(public RepeatUnit $unit, public int $interval = 1, public array $weekdays = [], public MonthBy $monthBy = MonthBy::Date)
    {
        if ($interval < 1 || ($unit === RepeatUnit::Week && $weekdays === []) || array_diff($weekdays, range(0, 6)) !== []) {
            throw new InvalidRule('A repeat has an interval from 1, and one of weeks has weekdays.');
        }
    }

    /** What was picked to make a rule for a series that starts then; null where there is nothing of the kind to pick. */
    public static function of(Rule $rule, LocalDateTime $start): ?self
    {
        $weekStart = $rule->interval === 1 ? $rule->weekStart : 0;
        $plain = (string) $rule->endingBy(null, null);
        $own = [CivilDate::weekday($start->day())];
        foreach (RepeatUnit::cases() as $unit) {
            if ($unit->frequency() !== $rule->frequency) {
                continue;
            }
            if ($unit === RepeatUnit::Week) {
                $same = (string) new Rule(Frequency::Weekly, $rule->interval, weekStart: $weekStart, byDay: $rule->byDay) === $plain;
                $ordinals = array_filter($rule->byDay, static fn (WeekdayRule $day): bool => $day->ordinal !== 0);
                $weekdays = self::sorted(array_map(static fn (WeekdayRule $day): int => $day->weekday, $rule->byDay));

                return $same && $ordinals === [] ? new self($unit, $rule->interval, $weekdays === [] ? $own : $weekdays) : null;
            }
            foreach ($unit === RepeatUnit::Month ? MonthBy::cases() : [MonthBy::Date] as $monthBy) {
                $pick = new self($unit, $rule->interval, $own, $monthBy);
                if ((string) $pick->rule($start) === $plain) {
                    return $pick;
                }
            }
        }

        return null;
    }

    /** The rule for a series that starts then; it never ends. */
    public function rule(LocalDateTime $start): Rule
    {
        $weekday = CivilDate::weekday($start->day());
        [, , $date] = CivilDate::fromDays($start->day());
        $byDay = match (true) {
            $this->unit === RepeatUnit::Week => array_map(static fn (int $day): WeekdayRule => new WeekdayRule($day), self::sorted($this->weekdays)),
            $this->unit !== RepeatUnit::Month => [],
            $this->monthBy === MonthBy::Weekday => [new WeekdayRule($weekday, intdiv($date + 6, 7))],
            $this->monthBy === MonthBy::LastWeekday => [new WeekdayRule($weekday, -1)],
            default => [],
        };

        return new Rule($this->unit->frequency(), $this->interval, byDay: $byDay, byMonthDay: $this->unit === RepeatUnit::Month && $this->monthBy === MonthBy::LastDay ? [-1] : []);
    }

    /**
     * @param  list<int>  $weekdays
     * @return list<int>
     */
    private static function sorted(array $weekdays): array
    {
        $weekdays = array_values(array_unique($weekdays));
        sort($weekdays);

        return $weekdays;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** The plain case of a rule: every so many weeks on some weekdays, until a day or so many times. */
final readonly class WeeklyRepeat
{
    /**
     * @param  int  $interval  every so many weeks, from 1
     * @param  non-empty-list<int>  $weekdays  0 is Monday
     * @param  ?LocalDateTime  $until  the last day, inclusive
     */
    public function __construct(
        public int $interval,
        public array $weekdays,
        public ?LocalDateTime $until = null,
        public ?int $count = null,
    ) {
        if ($interval < 1 || array_diff($weekdays, range(0, 6)) !== [] || ($until !== null && $count !== null)) {
            throw new InvalidRule('A weekly repeat has an interval from 1, weekdays, and one end at most.');
        }
    }

    /** The rule for a series that starts then; UNTIL takes the form that the kind of start asks for (RFC 5545, 3.3.10). */
    public function toRule(EventTime $start): Rule
    {
        $weekdays = array_unique($this->weekdays);
        sort($weekdays);

        $rule = new Rule(
            frequency: Frequency::Weekly,
            interval: $this->interval,
            count: $this->count,
            byDay: array_map(static fn (int $weekday): WeekdayRule => new WeekdayRule($weekday), $weekdays),
        );

        return $this->until === null ? $rule : $rule->endingOn($this->until, $start);
    }

    /** The weekly repeat that a rule is, or null where it says more than one can. */
    public static function fromRule(Rule $rule, EventTime $start): ?self
    {
        // Where weeks begin matters only to rules that leave weeks out.
        $weekStart = $rule->interval === 1 ? $rule->weekStart : 0;
        $plain = new Rule(Frequency::Weekly, $rule->interval, $rule->count, $rule->until, $weekStart, byDay: $rule->byDay);
        if ((string) $plain !== (string) $rule) {
            return null;
        }
        $until = $rule->until === null || $start->zone === null ? $rule->until : $rule->until->inZone($start->zone);
        $weekdays = array_map(static fn (WeekdayRule $day): int => $day->weekday, $rule->byDay);

        return new self($rule->interval, $weekdays === [] ? [CivilDate::weekday($start->local->day())] : $weekdays, $until?->local, $rule->count);
    }

    /** The rule of a weekly repeat whose start moved by whole days: its weekdays move along. */
    public function shiftedBy(int $days): self
    {
        $shift = static fn (int $weekday): int => (($weekday + $days) % 7 + 7) % 7;

        return new self($this->interval, array_map($shift, $this->weekdays), $this->until, $this->count);
    }
}

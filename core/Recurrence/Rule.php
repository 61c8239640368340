<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** A recurrence rule (RFC 5545, 3.3.10): what RuleParser understood, and back to text. */
final readonly class Rule
{
    /**
     * @param  ?EventTime  $until  inclusive
     * @param  int  $weekStart  0 is Monday
     * @param  list<int>  $bySecond
     * @param  list<int>  $byMinute
     * @param  list<int>  $byHour
     * @param  list<WeekdayRule>  $byDay
     * @param  list<int>  $byMonthDay
     * @param  list<int>  $byYearDay
     * @param  list<int>  $byWeekNumber
     * @param  list<int>  $byMonth
     * @param  list<int>  $bySetPosition
     * @param  Skip  $skip  what becomes of days that a month does not have
     */
    public function __construct(
        public Frequency $frequency,
        public int $interval = 1,
        public ?int $count = null,
        public ?EventTime $until = null,
        public int $weekStart = 0,
        public array $bySecond = [],
        public array $byMinute = [],
        public array $byHour = [],
        public array $byDay = [],
        public array $byMonthDay = [],
        public array $byYearDay = [],
        public array $byWeekNumber = [],
        public array $byMonth = [],
        public array $bySetPosition = [],
        public Skip $skip = Skip::Omit,
    ) {
    }

    /** The same rule with another end; null for both means that it never ends. */
    public function endingBy(?int $count, ?EventTime $until): self
    {
        return new self(
            $this->frequency, $this->interval, $count, $until, $this->weekStart, $this->bySecond, $this->byMinute, $this->byHour,
            $this->byDay, $this->byMonthDay, $this->byYearDay, $this->byWeekNumber, $this->byMonth, $this->bySetPosition, $this->skip,
        );
    }

    /** The same rule, ending after so many times, or with a last day (inclusive), or never, for a series that starts then. */
    public function ending(?int $count, ?LocalDateTime $lastDay, EventTime $start): self
    {
        return $lastDay === null ? $this->endingBy($count, null) : $this->endingOn($lastDay, $start);
    }

    /**
     * The same rule with a last day, for a series that starts then: UNTIL takes the form that the kind of start asks for
     * (RFC 5545, 3.3.10).
     */
    public function endingOn(LocalDateTime $lastDay, EventTime $start): self
    {
        $date = EventTime::date($lastDay);
        if ($start->kind === TimeKind::Date) {
            return $this->endingBy(null, $date);
        }
        $end = $date->local->plusSeconds(86_399);

        return $this->endingBy(null, $start->zone === null ? EventTime::floating($end) : EventTime::zoned($end, $start->zone)->inZone(Zone::utc()));
    }

    /** Whether it counts hours, minutes or seconds and nothing else: such a rule goes on by exact time, whatever clocks do. */
    public function countsExactly(): bool
    {
        return $this->frequency->isSubDaily() && ! $this->namesDays() && $this->byHour === [] && $this->byMinute === [] && $this->bySecond === [];
    }

    /** Whether the rule itself says on which days it falls, instead of taking them from the start. */
    public function namesDays(): bool
    {
        return [...$this->byDay, ...$this->byMonthDay, ...$this->byYearDay, ...$this->byWeekNumber, ...$this->byMonth, ...$this->bySetPosition] !== [];
    }

    /** The value of an RRULE property, its parts always in the same order. */
    public function __toString(): string
    {
        $parts = [...($this->skip === Skip::Omit ? [] : ['RSCALE=GREGORIAN']), 'FREQ='.$this->frequency->value];
        if ($this->interval !== 1) {
            $parts[] = 'INTERVAL='.$this->interval;
        }
        if ($this->until !== null) {
            $parts[] = 'UNTIL='.$this->untilText($this->until);
        }
        if ($this->count !== null) {
            $parts[] = 'COUNT='.$this->count;
        }
        $lists = [
            'BYMONTH' => $this->byMonth, 'BYWEEKNO' => $this->byWeekNumber, 'BYYEARDAY' => $this->byYearDay,
            'BYMONTHDAY' => $this->byMonthDay, 'BYDAY' => $this->byDay, 'BYHOUR' => $this->byHour,
            'BYMINUTE' => $this->byMinute, 'BYSECOND' => $this->bySecond, 'BYSETPOS' => $this->bySetPosition,
        ];
        foreach ($lists as $name => $values) {
            if ($values !== []) {
                $parts[] = $name.'='.implode(',', array_map(strval(...), $values));
            }
        }
        if ($this->weekStart !== 0) {
            $parts[] = 'WKST='.new WeekdayRule($this->weekStart);
        }
        if ($this->skip !== Skip::Omit) {
            $parts[] = 'SKIP='.$this->skip->value;
        }

        return implode(';', $parts);
    }

    private function untilText(EventTime $until): string
    {
        // The last day that four digits tell, in UTC, may be over a day later than a wall in the west says.
        $until = $until->local->isWritable() ? $until : $until->at(LocalDateTime::last());

        return match ($until->kind) {
            TimeKind::Date => $until->local->toBasicDate(),
            TimeKind::Floating => $until->local->toBasicDateTime(),
            TimeKind::Zoned => $until->local->toBasicDateTime().'Z',
        };
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\SchoolYear\TeachingDays;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;

/**
 * The recurrence set of RFC 5545, 3.8.5: DTSTART, the instances of the rules, the extra dates, less the skipped ones.
 *
 * Where a rule does not produce DTSTART, the RFC leaves the set undefined. Here DTSTART is its first occurrence all
 * the same and one of the COUNT, as 3.3.10 says that it always counts as the first: a rule with COUNT=3 gives three
 * occurrences however it begins. Instances that fall on one instant (in the hour that a clock change leaves out) are
 * one occurrence.
 *
 * Rules that count hours, minutes or seconds and nothing else do so in exact time: a quarter of an hour after another is a quarter
 * of an hour later, also over a clock change, where wall time would leave some out or take two for one. What names hours of the day
 * (BYHOUR and the like) means the wall.
 */
final readonly class RecurrenceSet
{
    /** So far is looked for what a COUNT gives after the last term, in seconds. */
    private const BEYOND = 4 * 366 * CivilDate::SECONDS_PER_DAY;

    /**
     * @param  list<Rule>  $rules
     * @param  list<ExtraDate>  $extraDates  RDATE
     * @param  list<EventTime>  $skippedDates  EXDATE; one that is a date skips whatever starts that day
     * @param  ?TeachingDays  $within  the days of school to which its rules are kept; extra dates are meant whatever they are
     */
    public function __construct(
        public array $rules = [],
        public array $extraDates = [],
        public array $skippedDates = [],
        public ?TeachingDays $within = null,
    ) {
    }

    /**
     * The same with other rules or dates.
     *
     * @param  ?list<Rule>  $rules
     * @param  ?list<ExtraDate>  $extraDates
     * @param  ?list<EventTime>  $skippedDates
     */
    public function put(?array $rules = null, ?array $extraDates = null, ?array $skippedDates = null): self
    {
        return new self($rules ?? $this->rules, $extraDates ?? $this->extraDates, $skippedDates ?? $this->skippedDates, $this->within);
    }

    /** The same kept to days of school, or to none. */
    public function keptTo(?TeachingDays $within): self
    {
        return new self($this->rules, $this->extraDates, $this->skippedDates, $within);
    }

    /**
     * The same without days of school, as others can be told it: the days on which there is none are skipped, and rules end with the last term
     * that is known.
     */
    public function told(EventTime $start): self
    {
        $last = $this->within?->last();
        if ($this->within === null || $last === null) {
            return new self($this->rules, $this->extraDates, $this->skippedDates);
        }
        $end = LocalDateTime::midnight($last);
        // A day on either side holds whatever the zone is.
        $to = max($end->seconds, $start->indexSeconds()) + 2 * CivilDate::SECONDS_PER_DAY;
        $rules = array_map(fn (Rule $rule): Rule => ($this->lastInstant($rule, $start) ?? PHP_INT_MAX) < $to && $rule->count === null ? $rule : $this->endingWithTerms($rule, $start, $end, $to), $this->rules);
        $out = array_filter((new self($rules))->startsBetween($start, $start->indexSeconds(), $to), fn (EventTime $time): bool => ! $this->within->has($time->local->day()));

        return new self($rules, $this->extraDates, [...$this->skippedDates, ...array_values($out)]);
    }

    /** A rule that ends with the last term, unless its COUNT ends it before. */
    private function endingWithTerms(Rule $rule, EventTime $start, LocalDateTime $end, int $to): Rule
    {
        return $rule->count !== null && (new self([$rule]))->startsBetween($start, $to, $to + self::BEYOND) === [] ? $rule : $rule->endingOn($end->seconds < $start->local->seconds ? $start->local : $end, $start);
    }

    public function repeats(): bool
    {
        return $this->rules !== [] || $this->extraDates !== [];
    }

    /**
     * The starts at or after $from and before $to, in order.
     *
     * @param  int  $from  on the index's axis (see EventTime::indexSeconds), inclusive
     * @param  int  $to  exclusive
     * @return list<EventTime>
     *
     * @throws TooMuchWork where there is a budget, and more than it has
     */
    public function startsBetween(EventTime $start, int $from, int $to, ?WorkBudget $budget = null): array
    {
        if (count($this->rules) === 1 && $this->extraDates === [] && $this->skippedDates === [] && $this->within === null) {
            return $this->ofOneRule($this->rules[0], $start, $from, $to, $budget);
        }
        $starts = [];
        foreach ($this->rules as $rule) {
            [$locals, $instants] = $this->instances($rule, $start, $from, $to, $budget);
            foreach ($start->atEach($locals, $instants) as $time) {
                $starts[$time->indexSeconds()] ??= $time;
            }
        }
        if ($start->indexSeconds() >= $from && $start->indexSeconds() < $to) {
            $starts[$start->indexSeconds()] ??= $start;
        }
        if ($this->within !== null) {
            $within = $this->within;
            $starts = array_filter($starts, static fn (EventTime $time): bool => $within->has($time->local->day()));
        }
        foreach ($this->extraDates as $extra) {
            $time = $this->likeStart($extra->start, $start);
            $seconds = $time->indexSeconds();
            if ($seconds >= $from && $seconds < $to) {
                $starts[$seconds] ??= $time;
            }
        }
        $budget?->spend(count($starts) + count($this->extraDates));
        if ($starts !== [] && $this->skippedDates !== []) {
            $starts = $this->withoutSkipped($starts, $start);
        }
        ksort($starts);

        return array_values($starts);
    }

    /**
     * The same for what most series are: a rule and nothing else.
     *
     * @return list<EventTime>
     */
    private function ofOneRule(Rule $rule, EventTime $start, int $from, int $to, ?WorkBudget $budget): array
    {
        [$locals, $instants] = $this->instances($rule, $start, $from, $to, $budget);
        $first = $start->indexSeconds();
        // Nothing comes before the start; what falls into the hour that clocks leave out may come after what is later on the wall.
        $times = $start->atEach($locals, $instants);
        if ($first >= $from && $first < $to && ($instants[0] ?? null) !== $first) {
            array_unshift($times, $start);
            array_unshift($instants, $first);
        }
        $budget?->spend(count($times));
        $before = PHP_INT_MIN;
        $isInOrder = true;
        foreach ($instants as $instant) {
            $isInOrder = $isInOrder && $instant > $before;
            $before = $instant;
        }
        if ($isInOrder) {
            return $times;
        }
        $starts = [];
        foreach ($times as $time) {
            $starts[$time->indexSeconds()] ??= $time;
        }
        ksort($starts);

        return array_values($starts);
    }

    /**
     * The instances of a rule at or after $from and before $to.
     *
     * @return array{list<int>, list<int>} wall times, and the same on the index's axis
     */
    private function instances(Rule $rule, EventTime $start, int $from, int $to, ?WorkBudget $budget): array
    {
        $until = $this->lastInstant($rule, $start);
        $before = $until === null ? $to : min($to, $until + 1);
        if ($start->zone !== null && $rule->countsExactly()) {
            $instants = (new RuleExpander($rule, new LocalDateTime($start->indexSeconds()), false, $budget))->between($from, $before);

            return [array_map($start->zone->toLocal(...), $instants), $instants];
        }
        $allDay = $start->kind === TimeKind::Date;
        // No zone is more than a day from UTC, so a day on either side holds the window in wall time.
        $locals = (new RuleExpander($rule, $start->local, $allDay, $budget))->between($from - CivilDate::SECONDS_PER_DAY, $before + CivilDate::SECONDS_PER_DAY);
        if ($allDay && $rule->frequency->isSubDaily()) {
            // Of an all-day event that repeats by the hour, each day is one occurrence.
            $locals = array_map(static fn (int $local): int => CivilDate::floorDiv($local, CivilDate::SECONDS_PER_DAY) * CivilDate::SECONDS_PER_DAY, $locals);
        }
        $instants = $start->zone === null ? $locals : $start->zone->toUtcEach($locals);
        // What is outside the window stands at the ends; in the hour that clocks leave out it may stand one further in.
        for ($first = 0, $last = count($instants); $first < $last && $instants[$first] < $from;) {
            $first++;
        }
        while ($last > $first && $instants[$last - 1] >= $before) {
            $last--;
        }
        if ($last - $first < count($instants)) {
            $instants = array_slice($instants, $first, $last - $first);
            $locals = array_slice($locals, $first, $last - $first);
        }
        if ($instants !== [] && (min($instants) < $from || max($instants) >= $before)) {
            $instants = array_filter($instants, static fn (int $instant): bool => $instant >= $from && $instant < $before);
            $locals = array_values(array_intersect_key($locals, $instants));
            $instants = array_values($instants);
        }

        return [$locals, $instants];
    }

    /** Whether some rule can have several instances on one day. */
    public function repeatsWithinDays(): bool
    {
        return array_filter($this->rules, static fn (Rule $rule): bool => $rule->frequency->isSubDaily() || [...$rule->byHour, ...$rule->byMinute, ...$rule->bySecond] !== []) !== [];
    }

    /** Whether there are more than so many within some days of the start; it stops counting as soon as that is known. */
    public function isDenserThan(int $most, EventTime $start, int $days): bool
    {
        if (! $this->repeatsWithinDays() && count($this->rules) + count($this->extraDates) <= intdiv($most, $days)) {
            return false;
        }
        $from = $start->indexSeconds();
        $count = 0;
        // Near first: what repeats by the second is told by its first day.
        foreach ([1, 31, max(1, $days - 32)] as $next) {
            $to = $from + $next * CivilDate::SECONDS_PER_DAY;
            $count += count($this->startsBetween($start, $from, $to));
            if ($count > $most) {
                return true;
            }
            $from = $to;
        }

        return false;
    }

    /**
     * When each of the extra dates that are PERIODs ends, by when it begins: both on the index's axis, the end exclusive.
     *
     * @return array<int, int>
     */
    public function periodEnds(EventTime $start): array
    {
        $ends = [];
        foreach ($this->extraDates as $extra) {
            if ($extra->end !== null) {
                $ends[$this->likeStart($extra->start, $start)->indexSeconds()] ??= ($start->zone === null ? $extra->end : $extra->end->inZone($start->zone))->indexSeconds();
            }
        }

        return $ends;
    }

    /** The longest of the extra dates that are PERIODs, in seconds; 0 where there is none. */
    public function longestPeriodSeconds(): int
    {
        $longest = 0;
        foreach ($this->extraDates as $extra) {
            $longest = max($longest, $extra->end === null ? 0 : $extra->end->indexSeconds() - $extra->start->indexSeconds());
        }

        return $longest;
    }

    /** UNTIL on the index's axis, inclusive; a date means its whole day, a floating time is read in the zone of the start. */
    private function lastInstant(Rule $rule, EventTime $start): ?int
    {
        $until = $rule->until;
        if ($until === null || $until->kind === TimeKind::Zoned && $start->kind === TimeKind::Zoned) {
            return $until?->indexSeconds();
        }
        $local = $until->kind === TimeKind::Date ? $until->local->plusSeconds(86_399) : $until->local;

        return $start->at($local)->indexSeconds();
    }

    private function likeStart(EventTime $time, EventTime $start): EventTime
    {
        return match (true) {
            $start->kind === TimeKind::Date => EventTime::date($time->local),
            $time->kind === TimeKind::Zoned && $start->zone !== null => $time->inZone($start->zone),
            $time->kind === TimeKind::Date => $start->at($time->local->plusSeconds($start->local->secondOfDay())),
            default => $start->at($time->local),
        };
    }

    /**
     * @param  array<int, EventTime>  $starts
     * @return array<int, EventTime>
     */
    private function withoutSkipped(array $starts, EventTime $start): array
    {
        $days = [];
        foreach ($this->skippedDates as $skipped) {
            if ($skipped->kind === TimeKind::Date && $start->kind !== TimeKind::Date) {
                $days[$skipped->local->day()] = true;
            } else {
                unset($starts[$this->likeStart($skipped, $start)->indexSeconds()]);
            }
        }

        return $days === [] ? $starts : array_filter($starts, static fn (EventTime $time): bool => ! isset($days[$time->local->day()]));
    }
}

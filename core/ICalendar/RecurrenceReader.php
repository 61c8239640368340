<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\StartOfRule;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** Reads how a VEVENT repeats (RFC 5545, 3.8.5). */
final class RecurrenceReader
{
    private const MOST_DATES = 10_000;

    private const MOST_RULES = 20;

    /** So far from its start what a rule leaves out is left out, and with so many steps at most for a whole file. */
    private const YEARS_LEFT_OUT = 20;

    private const STEPS_LEFT_OUT = 200_000;

    private readonly RuleReader $rules;

    private readonly WorkBudget $leftOut;

    public function __construct(private readonly Diagnostics $diagnostics, private readonly TimeReader $times)
    {
        $this->rules = new RuleReader($diagnostics);
        $this->leftOut = new WorkBudget(self::STEPS_LEFT_OUT);
    }

    public function read(Component $component, EventTime $start): RecurrenceSet
    {
        if ($component->first('RRULE') === null && $component->first('RDATE') === null && $component->first('EXDATE') === null) {
            return new RecurrenceSet;
        }
        $rules = $this->rules($component, 'RRULE', $start);
        if (count($rules) === 1 && ! StartOfRule::isProduced($rules[0], $start)) {
            $this->diagnostics->add($component->line, 'RRULE', 'the event starts when its rule has no time; the start is taken to be the first all the same', Outcome::Mended);
        }
        $inZone = static fn (EventTime $time): EventTime => $start->zone === null ? $time : $time->inZone($start->zone);
        $extra = $skipped = [];
        foreach ($component->all('RDATE') as $property) {
            foreach ($this->times->extraDates($property, self::MOST_DATES - count($extra)) as $date) {
                $extra[] = new ExtraDate($inZone($date->start), $date->end === null ? null : $inZone($date->end));
            }
        }
        foreach ($component->all('EXDATE') as $property) {
            foreach ($this->times->all($property, self::MOST_DATES - count($skipped)) as $date) {
                $skipped[] = $inZone($date);
            }
        }

        $skipped = $this->timesOfDays($component, new RecurrenceSet($rules, $extra), $skipped, $start);
        if ($component->first('EXRULE') !== null) {
            $skipped = [...$skipped, ...$this->leftOutByRules($component, new RecurrenceSet($rules, $extra), $start)];
        }

        return new RecurrenceSet($rules, $extra, $skipped);
    }

    /**
     * A day that is left out of an event that has a time means all of it on that day; others read it as its midnight (RFC 5545,
     * 3.8.5.1 wants a time), so the times are named.
     *
     * @param  list<EventTime>  $skipped
     * @return list<EventTime>
     */
    private function timesOfDays(Component $component, RecurrenceSet $set, array $skipped, EventTime $start): array
    {
        $days = $start->kind === TimeKind::Date ? [] : array_filter($skipped, static fn (EventTime $each): bool => $each->kind === TimeKind::Date);
        if ($days === []) {
            return $skipped;
        }
        $named = array_fill_keys(array_map(static fn (EventTime $each): int => $each->local->day(), $days), true);
        try {
            $times = $set->startsBetween($start, (min(array_keys($named)) - 1) * CivilDate::SECONDS_PER_DAY, (max(array_keys($named)) + 2) * CivilDate::SECONDS_PER_DAY, $this->leftOut);
        } catch (TooMuchWork) {
            return $skipped;
        }
        $times = array_values(array_filter($times, static fn (EventTime $each): bool => isset($named[$each->local->day()])));
        $this->diagnostics->addOnce($component->line, 'EXDATE', 'an event that has a time leaves out days; what of it is on them is left out', Outcome::Mended);

        return [...array_values(array_filter($skipped, static fn (EventTime $each): bool => $each->kind !== TimeKind::Date)), ...array_slice($times, 0, self::MOST_DATES)];
    }

    /**
     * The times that EXRULE (RFC 2445, 4.8.5.2) leaves out, one by one: the standard has it no more, so that other programs would show what it
     * leaves out, and a rule that is parted or moved would leave out other times.
     *
     * @return list<EventTime>
     */
    private function leftOutByRules(Component $component, RecurrenceSet $set, EventTime $start): array
    {
        $property = $component->first('EXRULE');
        $from = $start->indexSeconds();
        $to = $from + self::YEARS_LEFT_OUT * 366 * CivilDate::SECONDS_PER_DAY;
        try {
            $leftOut = (new RecurrenceSet($this->rules($component, 'EXRULE', $start)))->startsBetween($start, $from, $to, $this->leftOut);
            $known = array_fill_keys(array_map(static fn (EventTime $each): int => $each->indexSeconds(), $leftOut), true);
            $dates = array_values(array_filter($set->startsBetween($start, $from, $to, $this->leftOut), static fn (EventTime $each): bool => isset($known[$each->indexSeconds()])));
        } catch (TooMuchWork) {
            $dates = null;
        }
        if ($dates === null || count($dates) > self::MOST_DATES) {
            $this->diagnostics->add($property->line ?? 0, 'EXRULE', 'it leaves out more times than can be worked out, and is not applied', Outcome::Skipped);

            return [];
        }
        $this->diagnostics->add($property->line ?? 0, 'EXRULE', sprintf('rules that leave out are no more in the standard; what it leaves out in %d years is left out one by one (%d)', self::YEARS_LEFT_OUT, count($dates)), Outcome::Mended);

        return $dates;
    }

    /** @return list<Rule> */
    private function rules(Component $component, string $name, EventTime $start): array
    {
        return array_values(array_filter(array_map(fn (Property $each): ?Rule => $this->rules->read($each, $start), array_slice($component->all($name), 0, self::MOST_RULES))));
    }
}

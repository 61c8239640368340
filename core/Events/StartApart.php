<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\ICalendar\Text;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\StartOfRule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;

/**
 * A series whose rule does not produce its start, in a form that nobody misreads: here the start is the first time all the same,
 * and one of the COUNT; others leave it out, or count it otherwise, and no form of one series is expanded alike by all of them. So
 * the start is an event of its own, and so are extra dates that come before what the rule produces first, with which the series
 * begins; they are related to it (RELATED-TO, RFC 5545, 3.8.4.5).
 */
final class StartApart
{
    /** So many steps of its rule on, both forms are compared: by how a few rules count, a later start means other times. */
    private const COMPARED = 6;

    /** @return list<Series> the same one, where its rule produces its start, or where there are several rules */
    public static function of(Series $series): array
    {
        $master = $series->master;
        $rule = $master?->timing->recurrence->rules[0] ?? null;
        if ($master === null || $rule === null || count($master->timing->recurrence->rules) > 1 || StartOfRule::isProduced($rule, $master->timing->start)) {
            return [$series];
        }
        $start = $master->timing->start;
        $set = $master->timing->recurrence;
        // What a month without the day puts into the next is a time of the rule that no series can begin with, either.
        $apart = [$start];
        $first = StartOfRule::firstAfter($rule, $start, $start);
        while ($first !== null && count($apart) < self::COMPARED && ! StartOfRule::isProduced($rule, $first)) {
            $apart[] = $first;
            $first = StartOfRule::firstAfter($rule, $start, $first);
        }
        $ending = $rule->count === null ? $rule : ($rule->count > count($apart) ? $rule->endingBy($rule->count - count($apart), null) : null);
        if ($first === null || $ending === null || (new RecurrenceSet([$rule]))->startsBetween($start, $first->indexSeconds(), $first->indexSeconds() + 1) === []) {
            return self::withoutRule($series, $master, $apart);
        }
        $rest = $master->with(timing: $master->timing->startingAt($first)->repeating(self::without($set, $ending, $first)));
        if (! self::agree($master, $rest, $rule, $first)) {
            return [$series];
        }
        $extra = array_map(static fn (ExtraDate $each): EventTime => $each->start, $set->extraDates);
        $early = [];
        foreach ([...$apart, ...array_filter($extra, static fn (EventTime $each): bool => self::isBefore($each, $first))] as $each) {
            $early[$each->indexSeconds()] ??= $each;
        }

        return [...array_values(array_filter(array_map(static fn (EventTime $each): ?Series => self::apart($series, $master->uid, $each), array_values($early)))), new Series($rest, self::overridesOf($series, $first))];
    }

    /**
     * The rule ends before it gives anything that a series can begin with: its few times are named one by one.
     *
     * @param  non-empty-list<EventTime>  $times  of which the first is the start
     * @return list<Series>
     */
    private static function withoutRule(Series $series, Event $master, array $times): array
    {
        $set = $master->timing->recurrence;
        $named = array_values(array_filter(array_slice($times, 1), static fn (EventTime $each): bool => $set->startsBetween($master->timing->start, $each->indexSeconds(), $each->indexSeconds() + 1) !== []));

        return [new Series($master->repeating($set->put([], [...array_map(static fn (EventTime $each): ExtraDate => new ExtraDate($each), $named), ...$set->extraDates])), $series->overrides)];
    }

    /** One time as an event of its own, as it was changed; null where it is skipped. */
    private static function apart(Series $series, string $uid, EventTime $time): ?Series
    {
        $occurrence = $series->find($time);
        if ($occurrence === null) {
            return null;
        }
        $event = $occurrence->event->occurringAt($occurrence);
        $related = new Property('RELATED-TO', Text::escape($uid), ['RELTYPE' => ['SIBLING']]);

        return new Series(new Event(
            sha1("{$uid}|".RecurrenceId::text($time)).'@before-its-rule.invalid', $event->timing, $event->contents, null, false, $event->organizer, $event->participants, $event->reminders,
            $event->foreign->with($related), $event->sequence, $event->stamp, $event->created, $event->modified,
        ));
    }

    private static function isBefore(EventTime $time, EventTime $first): bool
    {
        return $time->indexSeconds() < $first->indexSeconds();
    }

    private static function without(RecurrenceSet $set, Rule $rule, EventTime $first): RecurrenceSet
    {
        return $set->put(
            [$rule],
            array_values(array_filter($set->extraDates, static fn (ExtraDate $each): bool => ! self::isBefore($each->start, $first))),
            array_values(array_filter($set->skippedDates, static fn (EventTime $each): bool => ! self::isBefore($each, $first) || $each->local->day() === $first->local->day())),
        );
    }

    /**
     * The changed times from the first on; a change of an earlier one and all that follow is one of the first and all that follow.
     *
     * @return list<Event>
     */
    private static function overridesOf(Series $series, EventTime $first): array
    {
        $overrides = [];
        foreach ($series->overrides as $override) {
            if ($override->recurrenceId === null || ! self::isBefore($override->recurrenceId, $first)) {
                $overrides[] = $override;
            } elseif ($override->andFollowing && $series->find($first)?->event === $override) {
                $overrides[] = $override->with(timing: $override->timing->startingAt($override->movedAlong($first, $override->recurrenceId)), recurrenceId: $first);
            }
        }

        return $overrides;
    }

    private static function agree(Event $before, Event $after, Rule $rule, EventTime $first): bool
    {
        $from = $first->indexSeconds();
        $to = $from + max(1, self::COMPARED * $rule->interval) * ($rule->frequency->unitSeconds() ?? 366 * CivilDate::SECONDS_PER_DAY);
        $told = static fn (Event $each): array => array_map(static fn (EventTime $time): int => $time->indexSeconds(), $each->timing->recurrence->startsBetween($each->timing->start, $from, $to));

        return $told($before) === $told($after);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use Closure;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Time\EventTime;

/** Changes to one occurrence of a series, to one and all that follow, and to all; what was changed before is kept. */
final class OccurrenceChanges
{
    /** An occurrence as an event of its own, before it is changed. */
    public static function single(Occurrence $occurrence): Event
    {
        return $occurrence->event->recurrenceId !== null && ! $occurrence->event->andFollowing ? $occurrence->event : $occurrence->event->occurringAt($occurrence);
    }

    /** An occurrence and all that follow as a series of its own, before it is changed. */
    public static function from(Event $master, Occurrence $found, EventTime $occurrence): Event
    {
        return $found->event->beginningAt($found, self::rulesFrom($master, $occurrence));
    }

    /** The series with this occurrence as given; an earlier change of it is replaced. */
    public static function one(Series $series, Event $changed): Series
    {
        return new Series($series->master, [...self::others($series, $changed->recurrenceId), $changed]);
    }

    /** The series without this occurrence (EXDATE, RFC 5545, 3.8.5.1). */
    public static function skip(Series $series, EventTime $occurrence): Series
    {
        return new Series(
            $series->master === null ? null : self::withSkipped($series->master, [...$series->master->timing->recurrence->skippedDates, $occurrence]),
            self::others($series, $occurrence),
        );
    }

    /** The series without a time that was changed: neither as it was changed nor as it was before. */
    public static function withoutChanged(Series $series, Event $changed): Series
    {
        if ($changed->recurrenceId === null || $series->master === null) {
            return new Series($series->master, array_values(array_filter($series->overrides, static fn (Event $each): bool => $each !== $changed)));
        }

        return $changed->andFollowing ? self::endingBefore($series, $changed->recurrenceId) : self::skip($series, $changed->recurrenceId);
    }

    /** The series with an occurrence back that was skipped. */
    public static function unskip(Series $series, EventTime $occurrence): Series
    {
        if ($series->master === null) {
            return $series;
        }
        $kept = array_filter($series->master->timing->recurrence->skippedDates, static fn (EventTime $each): bool => ! $each->equals($occurrence));

        return new Series(self::withSkipped($series->master, array_values($kept)), $series->overrides);
    }

    /**
     * The series with another master. Where the start moves, skipped dates and the names of changed occurrences move
     * along, so that they go on meaning the same ones; the changed occurrences themselves stay where they were put, but for those that
     * were only answered to.
     *
     * @param  bool  $skippedAsGiven  whether the skipped dates of the other master are meant as they stand
     */
    public static function all(Series $series, Event $master, bool $skippedAsGiven = false): Series
    {
        $before = $series->master;
        if ($before === null || $before->timing->start->kind !== $master->timing->start->kind) {
            return new Series($master);
        }
        $shift = static function (EventTime $time) use ($before, $master): EventTime {
            $inSeries = $before->timing->start->zone === null ? $time : $time->inZone($before->timing->start->zone);

            return $master->timing->start->at($inSeries->local->plusSeconds($master->timing->start->local->seconds - $before->timing->start->local->seconds));
        };
        $set = $master->timing->recurrence;

        return new Series(
            $master->repeating($set->put(skippedDates: $skippedAsGiven ? $set->skippedDates : array_map($shift, $set->skippedDates))),
            self::carried($series->overrides, $before, $master, $shift),
        );
    }

    /**
     * Changed occurrences as another master has them: by the names that they have there, and those that were only answered to as it
     * itself has them; where it has none at that time they are gone.
     *
     * @param  array<int, Event>  $overrides
     * @param  Closure(EventTime): EventTime  $moved  what goes by the one name before, and by the other from then on
     * @return list<Event>
     */
    private static function carried(array $overrides, Event $before, Event $master, Closure $moved): array
    {
        $carried = array_map(static function (Event $override) use ($before, $master, $moved): ?Event {
            if ($override->recurrenceId === null) {
                return $override;
            }
            $named = $override->with(uid: $master->uid, recurrenceId: $moved($override->recurrenceId));

            return OccurrenceAnswers::isAll($override, $before) ? OccurrenceAnswers::carried($named, $master) : $named;
        }, $overrides);

        return array_values(array_filter($carried));
    }

    /**
     * The series parted at an occurrence: what comes before it, as it was, and from it on a series of its own. COUNT is
     * shared out between them; skipped, extra and changed occurrences go where they belong, and those of the second
     * move along where its start does.
     *
     * @param  Event  $changed  the second series: its start, its rules and all else; COUNT of its rules is what is left
     * @param  string  $uid  of the second series
     * @return array{?Series, Series} the first is null where nothing comes before
     */
    public static function following(Series $series, EventTime $occurrence, Event $changed, string $uid): array
    {
        $master = $series->master;
        if ($master === null) {
            return [null, new Series($changed->with(uid: $uid))];
        }
        $at = $occurrence->indexSeconds();
        $set = $master->timing->recurrence;
        $later = static fn (EventTime $time): bool => $time->indexSeconds() >= $at;
        $named = $master->timing->start->zone === null ? $occurrence : $occurrence->inZone($master->timing->start->zone);
        $shift = $changed->timing->start->local->seconds - $named->local->seconds;
        $moved = static fn (EventTime $time): EventTime => $changed->timing->start->at(($master->timing->start->zone === null ? $time : $time->inZone($master->timing->start->zone))->local->plusSeconds($shift));
        $second = $changed->with(
            timing: $changed->timing->repeating($changed->timing->recurrence->put(
                $changed->timing->recurrence->rules,
                array_map(static fn (ExtraDate $extra): ExtraDate => $extra->shiftedBy($shift), array_values(array_filter($set->extraDates, static fn (ExtraDate $extra): bool => $later($extra->start)))),
                array_map($moved, array_values(array_filter($set->skippedDates, $later))),
            )),
            uid: $uid,
        );
        $laterOverrides = array_filter($series->overrides, static fn (Event $override): bool => $override->recurrenceId !== null && $later($override->recurrenceId) && ! $override->recurrenceId->equals($occurrence));

        return [
            $at <= $master->timing->start->indexSeconds() ? null : self::endingBefore($series, $occurrence),
            new Series($second, self::carried($laterOverrides, $master, $second, $moved)),
        ];
    }

    /** The rules of a series as they go on from an occurrence: COUNT is less by what comes before it. */
    public static function rulesFrom(Event $master, EventTime $occurrence): RecurrenceSet
    {
        $rules = [];
        foreach ($master->timing->recurrence->rules as $rule) {
            if ($rule->count === null) {
                $rules[] = $rule;
            } elseif (($left = $rule->count - self::countBefore($master, $rule, $occurrence)) > 0) {
                $rules[] = $rule->endingBy($left, null);
            }
        }

        return $master->timing->recurrence->put($rules);
    }

    /** How many of a rule's COUNT come before an occurrence; DTSTART is always one. */
    private static function countBefore(Event $master, Rule $rule, EventTime $occurrence): int
    {
        return max(1, count((new RecurrenceSet([$rule]))->startsBetween($master->timing->start, $master->timing->start->indexSeconds(), $occurrence->indexSeconds())));
    }

    /** The series without an occurrence and all that follow it; the occurrence is not its first. */
    public static function endingBefore(Series $series, EventTime $occurrence): Series
    {
        $at = $occurrence->indexSeconds();
        $earlier = static fn (?EventTime $time): bool => $time === null || $time->indexSeconds() < $at;
        $master = $series->master;
        if ($master !== null) {
            $set = $master->timing->recurrence;
            $last = $occurrence->justBefore();
            $rules = array_map(static fn (Rule $rule): Rule => match (true) {
                $rule->count !== null => $rule->endingBy(min($rule->count, self::countBefore($master, $rule, $occurrence)), null),
                $rule->until !== null && $earlier($rule->until) => $rule,
                default => $rule->endingBy(null, $last),
            }, $set->rules);
            $master = $master->repeating($set->put(
                $rules,
                array_values(array_filter($set->extraDates, static fn (ExtraDate $extra): bool => $earlier($extra->start))),
                array_values(array_filter($set->skippedDates, $earlier)),
            ));
        }

        return new Series($master, array_values(array_filter($series->overrides, static fn (Event $override): bool => $earlier($override->recurrenceId))));
    }

    /** @return list<Event> */
    private static function others(Series $series, ?EventTime $occurrence): array
    {
        return array_values(array_filter(
            $series->overrides,
            static fn (Event $override): bool => $override->andFollowing || $override->recurrenceId === null || $occurrence === null || ! $override->recurrenceId->equals($occurrence),
        ));
    }

    /** @param  list<EventTime>  $skipped */
    private static function withSkipped(Event $master, array $skipped): Event
    {
        $set = $master->timing->recurrence;

        return $master->repeating($set->put(skippedDates: $skipped));
    }
}

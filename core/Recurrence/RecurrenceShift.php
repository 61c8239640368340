<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** How a series repeats once its start is another: every time of it moves along, the last one, too. */
final class RecurrenceShift
{
    /**
     * The rules and the extra dates; skipped dates stay for whoever moves the series (see OccurrenceChanges::all).
     *
     * @throws InvalidRule where a rule fixes the days on which it falls, and the start is on another day
     */
    public static function of(RecurrenceSet $set, EventTime $from, EventTime $to): RecurrenceSet
    {
        $seconds = $to->local->seconds - $from->local->seconds;
        if ($seconds === 0 && $from->kind === $to->kind) {
            return $set;
        }

        return $set->put(
            array_map(static fn (Rule $rule): Rule => self::rule($rule, $from, $to, $seconds), $set->rules),
            array_map(static fn (ExtraDate $date): ExtraDate => $date->shiftedBy($seconds), $set->extraDates),
        );
    }

    /** @throws InvalidRule */
    private static function rule(Rule $rule, EventTime $from, EventTime $to, int $seconds): Rule
    {
        $days = $to->local->day() - $from->local->day();
        $moved = $rule;
        if ($days !== 0 && $rule->namesDays()) {
            $weekly = WeeklyRepeat::fromRule($rule->endingBy($rule->count, null), $from)
                ?? throw new InvalidRule('This series repeats by a rule that fixes its days. Move one occurrence, or change the repeat.');
            $moved = $weekly->shiftedBy($days)->toRule($to);
        }
        if ($rule->until === null) {
            return $moved;
        }
        $until = $from->zone === null ? $rule->until : $rule->until->inZone($from->zone);
        if ($from->kind !== $to->kind || $until->kind === TimeKind::Date) {
            return $moved->endingOn($until->local->plusDays($days), $to);
        }
        $last = $until->local->plusSeconds($seconds);

        return $moved->endingBy(null, $to->zone === null ? EventTime::floating($last) : EventTime::zoned($last, $to->zone)->inZone(Zone::utc()));
    }
}

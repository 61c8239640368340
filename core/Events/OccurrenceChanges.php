<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\EventTime;

/** Changes to one occurrence of a series, and to all of them; what was changed before is kept. */
final class OccurrenceChanges
{
    /** The series with this occurrence as given; an earlier change of it is replaced. */
    public static function one(Series $series, Event $changed): Series
    {
        return new Series($series->master, [...self::others($series, $changed->recurrenceId), $changed]);
    }

    /** The series without this occurrence (EXDATE, RFC 5545, 3.8.5.1). */
    public static function skip(Series $series, EventTime $occurrence): Series
    {
        return new Series(
            $series->master === null ? null : self::withSkipped($series->master, [...$series->master->recurrence->skippedDates, $occurrence]),
            self::others($series, $occurrence),
        );
    }

    /** The series with an occurrence back that was skipped. */
    public static function unskip(Series $series, EventTime $occurrence): Series
    {
        if ($series->master === null) {
            return $series;
        }
        $kept = array_filter($series->master->recurrence->skippedDates, static fn (EventTime $each): bool => ! $each->equals($occurrence));

        return new Series(self::withSkipped($series->master, array_values($kept)), $series->overrides);
    }

    /**
     * The series with another master. Where the start moves, skipped dates and the names of changed occurrences move
     * along, so that they go on meaning the same ones; the changed occurrences themselves stay where they were put.
     */
    public static function all(Series $series, Event $master): Series
    {
        $before = $series->master;
        if ($before === null || $before->start->kind !== $master->start->kind) {
            return new Series($master);
        }
        $shift = static function (EventTime $time) use ($before, $master): EventTime {
            $inSeries = $before->start->zone === null ? $time : $time->inZone($before->start->zone);

            return $master->start->at($inSeries->local->plusSeconds($master->start->local->seconds - $before->start->local->seconds));
        };
        $set = $master->recurrence;

        return new Series(
            $master->with(recurrence: new RecurrenceSet($set->rules, $set->extraDates, array_map($shift, $set->skippedDates))),
            array_map(static fn (Event $override): Event => $override->recurrenceId === null ? $override : $override->with(recurrenceId: $shift($override->recurrenceId)), $series->overrides),
        );
    }

    /** @return list<Event> */
    private static function others(Series $series, ?EventTime $occurrence): array
    {
        return array_values(array_filter(
            $series->overrides,
            static fn (Event $override): bool => $override->recurrenceId === null || $occurrence === null || ! $override->recurrenceId->equals($occurrence),
        ));
    }

    /** @param  list<EventTime>  $skipped */
    private static function withSkipped(Event $master, array $skipped): Event
    {
        $set = $master->recurrence;

        return $master->with(recurrence: new RecurrenceSet($set->rules, $set->extraDates, $skipped));
    }
}

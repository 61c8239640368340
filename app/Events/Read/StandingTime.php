<?php

namespace App\Events\Read;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;

/** The time that stands for an event where all of it is meant: of a series the next. */
final class StandingTime
{
    private const AHEAD_DAYS = 400;

    /** @return ?Occurrence null where none is to come within a year */
    public static function of(Series $series, Event $event): ?Occurrence
    {
        if ($event->recurrenceId !== null) {
            return $series->find($event->recurrenceId);
        }
        $start = $event->timing->start->indexSeconds();
        [$from, $to] = $event->timing->repeats() ? [now()->getTimestamp(), now()->addDays(self::AHEAD_DAYS)->getTimestamp()] : [$start - 1, $start + 1];
        try {
            foreach ($series->occurrences($from, $to, new WorkBudget((int) config('rota.budget.steps'))) as $each) {
                if ($each->event === $event || ! $event->timing->repeats()) {
                    return $each;
                }
            }
        } catch (TooMuchWork) {
            // Of such an event no time stands for all.
        }

        return null;
    }
}

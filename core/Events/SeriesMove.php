<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use Closure;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;

/**
 * Moves a series by one of its times: that alone, it and all that follow, or all of them by as many days, to the same hours. Where
 * that time goes is told by a function of where it is: of start and end (exclusive), to the new ones.
 */
final readonly class SeriesMove
{
    /** @param  Closure(EventTime, EventTime): array{EventTime, EventTime}  $to */
    private function __construct(private Series $series, private Closure $to)
    {
    }

    /**
     * @param  ?EventTime  $occurrence  the original start of the time that is moved; null for the first of the series
     * @param  Closure(EventTime, EventTime): array{EventTime, EventTime}  $to
     * @param  string  $uid  of a second series, where there is one afterwards
     * @return array{Series, ?Series} the series, and what is a series of its own from now on
     *
     * @throws InvalidTime where there is no such time, or it cannot go there
     * @throws InvalidRule where the rule of the series fixes its days
     */
    public static function by(Series $series, ?EventTime $occurrence, SeriesTimes $times, Closure $to, string $uid): array
    {
        $move = new self($series, $to);
        if ($occurrence === null || $series->master === null || ! $series->master->timing->repeats()) {
            return [$move->first(), null];
        }
        $found = $series->find($occurrence) ?? throw new InvalidTime('This series has no such time any more.');

        return match ($times) {
            SeriesTimes::One => [OccurrenceChanges::one($series, $move->moved(OccurrenceChanges::single($found))), null],
            SeriesTimes::Following => $move->following($series->master, $found, $occurrence, $uid),
            SeriesTimes::All => [$move->all($series->master, OccurrenceChanges::single($found)->timing), null],
        };
    }

    private function first(): Series
    {
        $event = $this->series->events()[0];
        $moved = $this->moved($event);

        return $this->series->master === null
            ? new Series(null, array_map(static fn (Event $each): Event => $each === $event ? $moved : $each, $this->series->overrides))
            : OccurrenceChanges::all($this->series, $moved);
    }

    private function all(Event $master, EventTiming $from): Series
    {
        [$start, $end] = ($this->to)($from->start, $from->end);
        $days = $start->local->day() - $from->start->local->day();
        $clock = $start->local->seconds - $start->local->day() * CivilDate::SECONDS_PER_DAY;
        $begins = $start->at(new LocalDateTime(($master->timing->start->local->day() + $days) * CivilDate::SECONDS_PER_DAY + $clock));
        $ends = $end->at($begins->local->plusSeconds($end->local->seconds - $start->local->seconds));

        return OccurrenceChanges::all($this->series, self::put($master, $begins, $ends));
    }

    /** @return array{Series, ?Series} */
    private function following(Event $master, Occurrence $found, EventTime $occurrence, string $uid): array
    {
        $moved = $this->moved(OccurrenceChanges::from($master, $found, $occurrence));
        [$earlier, $later] = OccurrenceChanges::following($this->series, $occurrence, $moved, $uid);

        return $earlier === null ? [OccurrenceChanges::all($this->series, $moved), null] : [$earlier, $later];
    }

    private function moved(Event $event): Event
    {
        return self::put($event, ...($this->to)($event->timing->start, $event->timing->end));
    }

    private static function put(Event $event, EventTime $start, EventTime $end): Event
    {
        $timing = ($start->equals($event->timing->start) ? $event->timing : $event->timing->startingAt($start))->endingAt($end);

        return $event->with(timing: $timing->repeating(RecurrenceShift::of($event->timing->recurrence, $event->timing->start, $start)));
    }
}

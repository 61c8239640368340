<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** Lays the events of one week over a range of weeks: each becomes a series that leaves out the closed days. */
final readonly class WeekLaying
{
    /**
     * @param  int  $monday  day number of the week that is laid
     * @param  int  $first  day number of the Monday of the first week over which it is laid
     * @param  int  $last  day number of the last day that may be used
     * @param  int  $every  in every so many weeks, from 1
     * @param  array<int, true>  $closed  day numbers on which nothing is laid
     */
    public function __construct(private int $monday, private int $first, private int $last, private int $every, private array $closed)
    {
    }

    /**
     * The days on which an event would begin, and those of them that are closed: on any of the days that it lasts.
     *
     * @return array{list<int>, list<int>} day numbers, in order
     */
    public function days(Event $event): array
    {
        $offset = $event->timing->start->local->day() - $this->monday;
        $lasts = CivilDate::floorDiv(max($event->timing->start->local->seconds, $event->timing->end->local->seconds - 1), CivilDate::SECONDS_PER_DAY) - $event->timing->start->local->day();
        $days = $closed = [];
        for ($week = $this->first; $week + $offset <= $this->last; $week += 7 * $this->every) {
            $day = $week + $offset;
            // Where the event itself takes place it is already.
            if ($day === $event->timing->start->local->day()) {
                continue;
            }
            $isClosed = false;
            for ($each = $day; $each <= $day + $lasts; $each++) {
                $isClosed = $isClosed || isset($this->closed[$each]);
            }
            $isClosed ? $closed[] = $day : $days[] = $day;
        }

        return [$days, $closed];
    }

    /** The series that an event of the week becomes; null where no day is left for it. */
    public function lay(Event $event, string $uid): ?Series
    {
        [$days, $closed] = $this->days($event);
        if ($days === []) {
            return null;
        }
        $begins = static fn (int $day): EventTime => $event->timing->start->at($event->timing->start->local->plusDays($day - $event->timing->start->local->day()));
        $start = $begins($days[0]);
        $single = count($days) === 1;
        $last = LocalDateTime::midnight($days[count($days) - 1]);
        $rule = (new Rule(Frequency::Weekly, $this->every, byDay: [new WeekdayRule(CivilDate::weekday($days[0]))]))->endingOn($last, $start);
        $within = static fn (int $day): bool => $day > $days[0] && $day < $days[count($days) - 1];
        // The week that is laid, where it lies among the others, has the event already.
        $own = $event->timing->start->local->day();
        $skipped = array_values(array_filter([...$closed, ...($within($own) && ($own - $days[0]) % (7 * $this->every) === 0 ? [$own] : [])], $within));
        sort($skipped);

        return new Series($event->with(
            uid: $uid,
            timing: $event->timing->startingAt($start)->repeating($single ? new RecurrenceSet : new RecurrenceSet([$rule], [], array_map($begins, $skipped))),
        ));
    }
}

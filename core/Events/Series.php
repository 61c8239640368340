<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use Closure;
use InvalidArgumentException;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\EventTime;

/** All that goes by one UID: a master, single or repeating, and the occurrences of it that were changed. */
final readonly class Series
{
    /** @var list<Event> changes that hold for all that follow, by original start */
    private array $following;

    /**
     * @param  ?Event  $master  null where a file holds changed occurrences alone
     * @param  list<Event>  $overrides  each with a recurrenceId; of two for one original start, one may hold for all that
     *                                  follow: the other then holds for that one
     */
    public function __construct(public ?Event $master, public array $overrides = [])
    {
        if ($master === null && $overrides === []) {
            throw new InvalidArgumentException('A series has a master or a changed occurrence.');
        }
        $following = array_filter($overrides, static fn (Event $override): bool => $override->andFollowing);
        usort($following, static fn (Event $a, Event $b): int => $a->recurrenceId?->indexSeconds() <=> $b->recurrenceId?->indexSeconds());
        $this->following = $following;
    }

    /**
     * The series with each of its events changed alike: the master, and every time that was changed on its own.
     *
     * @param  Closure(Event): Event  $change
     */
    public function each(Closure $change): self
    {
        return new self($this->master === null ? null : $change($this->master), array_map($change, $this->overrides));
    }

    public function uid(): string
    {
        return ($this->master ?? $this->overrides[0])->uid;
    }

    /** @return list<Event> the master, where there is one, then the changed occurrences by original start */
    public function events(): array
    {
        $overrides = $this->overrides;
        usort($overrides, static fn (Event $a, Event $b): int => $a->recurrenceId?->indexSeconds() <=> $b->recurrenceId?->indexSeconds());

        return $this->master === null ? $overrides : [$this->master, ...$overrides];
    }

    /**
     * The occurrences that overlap [from, to) on the index's axis, in order of start. One without length counts
     * where it starts.
     *
     * @return list<Occurrence>
     *
     * @throws TooMuchWork where there is a budget, and more than it has
     */
    public function occurrences(int $from, int $to, ?WorkBudget $budget = null): array
    {
        $occurrences = [];
        $replaced = [];
        foreach ($this->overrides as $override) {
            if ($override->andFollowing && $this->master !== null) {
                continue;
            }
            $id = $override->recurrenceId ?? $override->timing->start;
            $replaced[$id->indexSeconds()] = true;
            $this->add($occurrences, $override, $override->timing->start, $id, $from, $to);
        }
        if ($this->master !== null) {
            $master = $this->master;
            [$earlier, $later] = $this->reach();
            $names = array_map($this->nameOf(...), $this->following);
            foreach ($master->timing->recurrence->startsBetween($master->timing->start, $from - $later, $to + $earlier, $budget) as $start) {
                if (isset($replaced[$start->indexSeconds()])) {
                    continue;
                }
                $holds = $this->changeThatHolds($start);
                $change = $holds === null ? null : $this->following[$holds];
                $change === null
                    ? $this->add($occurrences, $master, $start, $master->timing->recurrence->repeats() ? $start : null, $from, $to)
                    : $this->add($occurrences, $change, $change->movedAlong($start, $names[$holds]), $start, $from, $to);
            }
        }
        usort($occurrences, static fn (Occurrence $a, Occurrence $b): int => $a->startSeconds <=> $b->startSeconds);

        return $occurrences;
    }

    /** The occurrence that goes by this original start, wherever it was moved to; null where there is none. */
    public function find(EventTime $recurrenceId): ?Occurrence
    {
        foreach ($this->overrides as $override) {
            if ($override->recurrenceId?->equals($recurrenceId) === true && ! ($override->andFollowing && $this->master !== null)) {
                return self::at($override, $override->timing->start, $override->recurrenceId);
            }
        }
        $master = $this->master;
        if ($master === null || ! $master->timing->recurrence->repeats()) {
            return null;
        }
        $seconds = $recurrenceId->indexSeconds();
        $start = $master->timing->recurrence->startsBetween($master->timing->start, $seconds, $seconds + 1)[0] ?? null;
        if ($start === null) {
            return null;
        }
        $holds = $this->changeThatHolds($start);
        $change = $holds === null ? null : $this->following[$holds];

        return $change === null ? self::at($master, $start, $start) : self::at($change, $change->movedAlong($start, $this->nameOf($change)), $start);
    }

    /** Which of those that hold for all that follow was the latest at an original start. */
    private function changeThatHolds(EventTime $start): ?int
    {
        $holds = null;
        foreach ($this->following as $index => $change) {
            if ($change->recurrenceId !== null && $change->recurrenceId->indexSeconds() <= $start->indexSeconds()) {
                $holds = $index;
            }
        }

        return $holds;
    }

    /** The occurrence that a change is of, as the series itself says it: in the hour that clocks leave out, its wall time is another. */
    private function nameOf(Event $change): EventTime
    {
        $name = $change->recurrenceId ?? $change->timing->start;
        $seconds = $name->indexSeconds();
        $zone = $this->master?->timing->start->zone;
        if ($this->master === null || $zone === null || $zone->offsetAt($seconds) === $zone->offsetAt($seconds - 86_400)) {
            return $name;
        }

        return $this->master->timing->recurrence->startsBetween($this->master->timing->start, $seconds, $seconds + 1)[0] ?? $name;
    }

    /**
     * How far from its original start an occurrence may take place, in seconds: how much earlier it may begin, and how
     * much later it may end.
     *
     * @return array{int, int}
     */
    private function reach(): array
    {
        $earlier = 0;
        $later = $this->master?->timing->longestSeconds() ?? 0;
        foreach ($this->following as $change) {
            // A shift in wall time may differ by a clock change, so a day is added.
            $shift = $change->timing->start->local->seconds - ($change->recurrenceId ?? $change->timing->start)->local->seconds;
            $earlier = max($earlier, 86_400 - $shift);
            $later = max($later, $shift + 86_400 + $change->timing->longestSeconds());
        }

        return [$earlier, $later];
    }

    private static function at(Event $event, EventTime $start, EventTime $id): Occurrence
    {
        return new Occurrence($event, $start, $start->indexSeconds(), $event->timing->endOf($start), $id);
    }

    /** @param  list<Occurrence>  $occurrences */
    private function add(array &$occurrences, Event $event, EventTime $start, ?EventTime $id, int $from, int $to): void
    {
        $begins = $start->indexSeconds();
        if ($begins >= $to) {
            return;
        }
        $ends = $event->timing->endOf($start);
        if ($ends > $from || ($ends === $begins && $begins >= $from)) {
            $occurrences[] = new Occurrence($event, $start, $begins, $ends, $id);
        }
    }
}

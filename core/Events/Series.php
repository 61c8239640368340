<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use InvalidArgumentException;
use PinnedRota\Core\Time\EventTime;

/** All that goes by one UID: a master, single or repeating, and the occurrences of it that were changed. */
final readonly class Series
{
    /**
     * @param  ?Event  $master  null where a file holds changed occurrences alone
     * @param  list<Event>  $overrides  each with a recurrenceId
     */
    public function __construct(public ?Event $master, public array $overrides = [])
    {
        if ($master === null && $overrides === []) {
            throw new InvalidArgumentException('A series has a master or a changed occurrence.');
        }
    }

    public function uid(): string
    {
        return ($this->master ?? $this->overrides[0])->uid;
    }

    /**
     * The occurrences that overlap [from, to) on the index's axis, in order of start. One without length counts
     * where it starts.
     *
     * @return list<Occurrence>
     */
    public function occurrences(int $from, int $to): array
    {
        $occurrences = [];
        $replaced = [];
        foreach ($this->overrides as $override) {
            $id = $override->recurrenceId ?? $override->start;
            $replaced[$id->indexSeconds()] = true;
            $this->add($occurrences, $override, $override->start, $id, $from, $to);
        }
        if ($this->master !== null) {
            $master = $this->master;
            foreach ($master->recurrence->startsBetween($master->start, $from - $master->longestSeconds(), $to) as $start) {
                if (! isset($replaced[$start->indexSeconds()])) {
                    $this->add($occurrences, $master, $start, $master->recurrence->repeats() ? $start : null, $from, $to);
                }
            }
        }
        usort($occurrences, static fn (Occurrence $a, Occurrence $b): int => $a->startSeconds <=> $b->startSeconds);

        return $occurrences;
    }

    /** The occurrence that goes by this original start, wherever it was moved to; null where there is none. */
    public function find(EventTime $recurrenceId): ?Occurrence
    {
        foreach ($this->overrides as $override) {
            if ($override->recurrenceId?->equals($recurrenceId) === true) {
                $start = $override->start->indexSeconds();

                return new Occurrence($override, $override->start, $start, $start + $override->lengthSeconds(), $override->recurrenceId);
            }
        }
        $seconds = $recurrenceId->indexSeconds();
        foreach ($this->occurrences($seconds, $seconds + 1) as $occurrence) {
            if ($occurrence->recurrenceId !== null && $occurrence->recurrenceId->indexSeconds() === $seconds) {
                return $occurrence;
            }
        }

        return null;
    }

    /** @param  list<Occurrence>  $occurrences */
    private function add(array &$occurrences, Event $event, EventTime $start, ?EventTime $id, int $from, int $to): void
    {
        $begins = $start->indexSeconds();
        $ends = $event->duration === null ? $begins + $event->lengthSeconds() : $event->duration->addTo($start)->indexSeconds();
        if ($begins < $to && ($ends > $from || ($ends === $begins && $begins >= $from))) {
            $occurrences[] = new Occurrence($event, $start, $begins, $ends, $id);
        }
    }
}

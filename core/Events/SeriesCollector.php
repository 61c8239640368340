<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use Generator;
use IteratorAggregate;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\Outcome;
use PinnedRota\Core\Import\Fingerprint;
use PinnedRota\Core\Sorting\ExternalSort;

/**
 * Puts events together that go by one UID: a master and its changed occurrences, in whatever order they come, and however many,
 * in memory that does not grow with them. Of several masters with one UID the first has it, and each other gets one of its own,
 * made of that UID and its start: none is lost, and the same file gives the same UIDs again. What comes twice to the letter is
 * taken once.
 *
 * It is gone through by UID, as often as needed; the key of each series is the place of its first event among all.
 *
 * @implements IteratorAggregate<int, Series>
 */
final class SeriesCollector implements IteratorAggregate
{
    /** Masters that share a UID and a start are told apart one after another; after so many rounds all that are left by what they say. */
    private const MOST_ROUNDS = 20;

    private ExternalSort $events;

    private int $count = 0;

    private bool $hasOwnUids = true;

    private bool $isTold = false;

    /** @param  ?Diagnostics  $diagnostics  where it is said what came under a UID that another event has */
    public function __construct(private readonly ?Diagnostics $diagnostics = null)
    {
        $this->events = new ExternalSort;
    }

    public function add(Event $event): void
    {
        $this->put($this->events, $event, $this->count++);
        $this->hasOwnUids = false;
        $this->isTold = false;
    }

    public function isEmpty(): bool
    {
        return $this->count === 0;
    }

    /** @return list<Series> in the order in which their UIDs came; for those that fit into memory */
    public function series(): array
    {
        $series = [];
        foreach ($this as $place => $each) {
            $series[$place] = $each;
        }
        ksort($series);

        return array_values($series);
    }

    /** @return Generator<int, Series> */
    public function getIterator(): Generator
    {
        for ($round = 1; ! $this->hasOwnUids; $round++) {
            $this->giveOwnUids($round);
        }
        $diagnostics = $this->isTold ? null : $this->diagnostics;
        $group = null;
        foreach ($this->events as $uid => $record) {
            if ($group !== null && $group->uid !== $uid) {
                yield $group->place() => $group->series();
                $group = null;
            }
            $group ??= new SeriesOfUid($uid, $diagnostics);
            $group->add(...self::event($record));
        }
        if ($group !== null) {
            yield $group->place() => $group->series();
        }
        $this->isTold = true;
    }

    /** Gives a UID of its own to each further master of one; where such a UID is taken, too, that is for the next round. */
    private function giveOwnUids(int $round): void
    {
        if (! $this->hasSharedUids()) {
            $this->hasOwnUids = true;

            return;
        }
        $isLast = $round === self::MOST_ROUNDS;
        $this->hasOwnUids = $isLast;
        $renamed = new ExternalSort;
        $uid = $first = null;
        foreach ($this->events as $each => $record) {
            if ($uid !== $each) {
                [$uid, $first] = [$each, null];
            }
            [$event, $place] = self::event($record);
            if ($event->recurrenceId === null) {
                if ($first !== null && Fingerprint::of(new Series($first)) === Fingerprint::of(new Series($event))) {
                    $this->diagnostics?->add(0, 'UID', "“{$event->contents->title}” comes twice and is taken once", Outcome::Mended);

                    continue;
                }
                if ($first !== null) {
                    if ($round === 1) {
                        $this->diagnostics?->add(0, 'UID', "“{$event->contents->title}” has the UID of another event, is none of its changed occurrences, and gets one of its own", Outcome::Mended);
                    }
                    $event = $event->with(uid: sha1("{$event->uid}|".RecurrenceId::text($event->timing->start).($isLast ? '|'.Fingerprint::of(new Series($event)) : '')).'@same-uid.invalid');
                }
                $first ??= $event;
            }
            $this->put($renamed, $event, $place);
        }
        $this->events = $renamed;
    }

    private function hasSharedUids(): bool
    {
        $last = null;
        foreach ($this->events as $uid => $record) {
            if ($record[0] === 'm') {
                if ($last === $uid) {
                    return true;
                }
                $last = $uid;
            }
        }

        return false;
    }

    private function put(ExternalSort $events, Event $event, int $place): void
    {
        // What is a master is told without reading all of it.
        $events->add($event->uid, ($event->recurrenceId === null ? 'm' : 'c').serialize([$event, $place]));
    }

    /** @return array{Event, int} */
    private static function event(string $record): array
    {
        [$event, $place] = (array) unserialize(substr($record, 1));
        assert($event instanceof Event && is_int($place));

        return [$event, $place];
    }
}

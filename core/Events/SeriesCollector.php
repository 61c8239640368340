<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** Puts events together that go by one UID: a master and its changed occurrences, in whatever order they come. */
final class SeriesCollector
{
    /** @var array<string, Event> by UID */
    private array $masters = [];

    /** @var array<string, array<string, Event>> by UID and original start */
    private array $overrides = [];

    public function add(Event $event): void
    {
        $this->overrides[$event->uid] ??= [];
        if ($event->recurrenceId === null) {
            // Of two masters with one UID, the one with the higher SEQUENCE holds (RFC 5546, 2.1.4).
            $earlier = $this->masters[$event->uid] ?? null;
            $this->masters[$event->uid] = $earlier === null || $event->sequence >= $earlier->sequence ? $event : $earlier;
        } else {
            $this->overrides[$event->uid][RecurrenceId::text($event->recurrenceId).($event->andFollowing ? '+' : '')] = $event;
        }
    }

    /** @return list<Series> in the order in which their UIDs came */
    public function series(): array
    {
        $series = [];
        foreach ($this->overrides as $uid => $overrides) {
            $master = $this->masters[$uid] ?? null;
            $series[] = new Series($master, $master === null ? array_values($overrides) : array_map(
                static fn (Event $override): Event => self::namedLike($master, $override),
                array_values($overrides),
            ));
        }

        return $series;
    }

    /** Some programs name a changed occurrence by its day alone, or on a floating clock: it is that day's or that wall time's. */
    private static function namedLike(Event $master, Event $override): Event
    {
        $id = $override->recurrenceId;
        $start = $master->start;
        if ($id === null || $id->kind === $start->kind) {
            return $override;
        }

        return $override->with(recurrenceId: match (true) {
            $start->kind === TimeKind::Date => EventTime::date($id->local),
            $id->kind === TimeKind::Date => $start->at($id->local->plusSeconds($start->local->secondOfDay())),
            default => $start->at($id->local),
        });
    }
}

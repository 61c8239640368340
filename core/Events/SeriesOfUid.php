<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\Outcome;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** One series as it comes together: see SeriesCollector. */
final class SeriesOfUid
{
    /** More changed occurrences than this are none that somebody made. */
    private const MOST_CHANGED = 5_000;

    private ?Event $master = null;

    /** @var array<string, Event> by original start */
    private array $overrides = [];

    private int $place = PHP_INT_MAX;

    private bool $isFull = false;

    public function __construct(public readonly string $uid, private readonly ?Diagnostics $diagnostics)
    {
    }

    /** @param  int  $place  of the event among all */
    public function add(Event $event, int $place): void
    {
        $this->place = min($this->place, $place);
        if ($event->recurrenceId === null) {
            $this->master ??= $event;

            return;
        }
        $time = RecurrenceId::text($event->recurrenceId).($event->andFollowing ? '+' : '');
        if (! isset($this->overrides[$time]) && count($this->overrides) >= self::MOST_CHANGED) {
            if (! $this->isFull) {
                $this->diagnostics?->add(0, 'RECURRENCE-ID', "of “{$event->contents->title}” more than ".self::MOST_CHANGED.' times are changed; the rest is left out', Outcome::Skipped);
            }
            $this->isFull = true;

            return;
        }
        $this->overrides[$time] = $this->later($event, $this->overrides[$time] ?? null);
    }

    /** Of the first of its events. */
    public function place(): int
    {
        return $this->place;
    }

    public function series(): Series
    {
        $overrides = array_values($this->overrides);
        $master = $this->master;

        return new Series($master, $master === null ? $overrides : array_map(static fn (Event $override): Event => self::namedLike($master, $override), $overrides));
    }

    /** Of two changes of one time the later: by their sequence, then by when they were written, then by where they stand. */
    private function later(Event $event, ?Event $other): Event
    {
        if ($other === null) {
            return $event;
        }
        $isLater = [$event->sequence, $event->stamp ?? 0] >= [$other->sequence, $other->stamp ?? 0];
        $earlier = $isLater ? $other : $event;
        $this->diagnostics?->add(0, 'UID', "“{$earlier->contents->title}” tells of a time that is told of twice; the later change holds", Outcome::Mended);

        return $isLater ? $event : $other;
    }

    /** Some programs name a changed occurrence by its day alone, or on a floating clock: it is that day's or that wall time's. */
    private static function namedLike(Event $master, Event $override): Event
    {
        $id = $override->recurrenceId;
        $start = $master->timing->start;
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

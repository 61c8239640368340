<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\Outcome;
use PinnedRota\Core\Import\Fingerprint;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/**
 * Puts events together that go by one UID: a master and its changed occurrences, in whatever order they come. Of several
 * masters with one UID the first has it, and each other gets one of its own, made of that UID and its start: none is lost, and
 * the same file gives the same UIDs again. What comes twice to the letter is taken once.
 */
final class SeriesCollector
{
    /** @var array<string, Event> by UID */
    private array $masters = [];

    /** @var array<string, array<string, Event>> by UID and original start */
    private array $overrides = [];

    /** @param  ?Diagnostics  $diagnostics  where it is said what came under a UID that another event has */
    public function __construct(private readonly ?Diagnostics $diagnostics = null)
    {
    }

    public function add(Event $event): void
    {
        if ($event->recurrenceId === null) {
            $event = $this->underOwnUid($event);
            if ($event === null) {
                return;
            }
            $this->overrides[$event->uid] ??= [];
            $this->masters[$event->uid] = $event;
        } else {
            $this->overrides[$event->uid] ??= [];
            $time = RecurrenceId::text($event->recurrenceId).($event->andFollowing ? '+' : '');
            $this->overrides[$event->uid][$time] = $this->later($event, $this->overrides[$event->uid][$time] ?? null);
        }
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

    /** The event, under another UID where its own is taken; null where the same has come already. */
    private function underOwnUid(Event $event): ?Event
    {
        $own = $event;
        for ($copy = 1; isset($this->masters[$own->uid]); $copy++) {
            if (Fingerprint::of(new Series($this->masters[$own->uid])) === Fingerprint::of(new Series($own))) {
                $this->diagnostics?->add(0, 'UID', "“{$event->contents->title}” comes twice and is taken once", Outcome::Mended);

                return null;
            }
            $own = $event->with(uid: sha1("{$event->uid}|".RecurrenceId::text($event->timing->start).($copy === 1 ? '' : "|{$copy}")).'@same-uid.invalid');
        }
        if ($own !== $event) {
            $this->diagnostics?->add(0, 'UID', "“{$event->contents->title}” has the UID of another event, is none of its changed occurrences, and gets one of its own", Outcome::Mended);
        }

        return $own;
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

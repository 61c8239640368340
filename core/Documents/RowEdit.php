<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\WhenText;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What somebody puts right of a row of a document before it is brought in. */
final readonly class RowEdit
{
    /**
     * @param  ?string  $title  null leaves it
     * @param  ?string  $category  several between semicolons; null leaves them
     * @param  ?string  $when  in words, as the table of events takes them: “Wed 23 Sep 10–11”; null leaves it
     */
    public function __construct(public ?string $title = null, public ?string $when = null, public ?string $place = null, public ?string $category = null)
    {
    }

    /**
     * @param  LocalDateTime  $today  the day on which it is read
     *
     * @throws InvalidTime where the words say no time
     */
    public function of(ExtractedEvent $found, LocalDateTime $today, Habits $habits): ExtractedEvent
    {
        [$start, $end, $allDay] = [$found->start, $found->end, $found->allDay];
        if ($this->when !== null && trim($this->when) !== '') {
            $at = static fn (LocalDateTime $local): EventTime => $allDay ? EventTime::date($local) : EventTime::floating($local);
            [$from, $to] = WhenText::read($this->when, $at($start), $at($end), Zone::utc(), $today, $habits);
            [$start, $end, $allDay] = [$from->local, $to->local, $from->zone === null && $from->kind->value === 'date'];
        }
        $title = trim($this->title ?? '');

        // What was put right needs no look any more.
        return new ExtractedEvent($title === '' ? $found->title : $title, $start, $end, $allDay, $this->place === null ? $found->place : trim($this->place), $found->line, $found->said, $this->category === null ? $found->fields : [ColumnRole::Category->value => trim($this->category)] + $found->fields, $this->when === null ? $found->doubts : [], $found->key);
    }
}

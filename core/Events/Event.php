<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\TimeKind;

/** An event as its author wrote it: single, the master of a series, or one changed occurrence of a series. */
final readonly class Event
{
    /**
     * @param  EventTime  $end  exclusive; of the kind of the start
     * @param  ?Duration  $duration  where the author gave a length instead of an end: nominal days then hold in each occurrence
     * @param  ?EventTime  $recurrenceId  the original start of the occurrence that this one replaces
     * @param  list<string>  $categories
     * @param  int  $priority  0 undefined, 1 highest to 9 lowest (RFC 5545, 3.8.1.9)
     * @param  list<Property>  $extra  properties that this program does not know, kept for writing
     *
     * @throws InvalidTime where the end is before the start
     */
    public function __construct(
        public string $uid,
        public string $title,
        public EventTime $start,
        public EventTime $end,
        public RecurrenceSet $recurrence = new RecurrenceSet,
        public ?Duration $duration = null,
        public ?EventTime $recurrenceId = null,
        public string $place = '',
        public string $description = '',
        public string $link = '',
        public Status $status = Status::Confirmed,
        public bool $busy = true,
        public bool $private = false,
        public array $categories = [],
        public int $priority = 0,
        public int $sequence = 0,
        public array $extra = [],
    ) {
        if (($start->kind === TimeKind::Date) !== ($end->kind === TimeKind::Date)) {
            throw new InvalidTime('An all-day event starts and ends with dates, a timed one with times.');
        }
        if ($end->indexSeconds() < $start->indexSeconds()) {
            throw new InvalidTime('The end is before the start.');
        }
        if ($start->kind === TimeKind::Date && $end->indexSeconds() === $start->indexSeconds()) {
            throw new InvalidTime('An all-day event lasts a day at least.');
        }
    }

    /** The same event with another recurrence, or under the name of another occurrence. */
    public function with(?RecurrenceSet $recurrence = null, ?EventTime $recurrenceId = null): self
    {
        return $this->copy($this->start, $this->end, $recurrence ?? $this->recurrence, $this->duration, $recurrenceId ?? $this->recurrenceId);
    }

    /** One occurrence of this series as an event of its own, to be changed. */
    public function occurringAt(Occurrence $occurrence): self
    {
        return $this->copy($occurrence->start, $occurrence->start->at($occurrence->localEnd()), new RecurrenceSet, null, $occurrence->recurrenceId);
    }

    private function copy(EventTime $start, EventTime $end, RecurrenceSet $recurrence, ?Duration $duration, ?EventTime $recurrenceId): self
    {
        return new self(
            $this->uid, $this->title, $start, $end, $recurrence, $duration, $recurrenceId,
            $this->place, $this->description, $this->link, $this->status, $this->busy, $this->private,
            $this->categories, $this->priority, $this->sequence, $this->extra,
        );
    }

    public function isAllDay(): bool
    {
        return $this->start->kind === TimeKind::Date;
    }

    /** The exact length in seconds; 86,400 a day for all-day events. */
    public function lengthSeconds(): int
    {
        return $this->end->indexSeconds() - $this->start->indexSeconds();
    }

    /** No occurrence of the event is longer than this, in seconds: a nominal day may have 25 hours. */
    public function longestSeconds(): int
    {
        return $this->duration === null ? $this->lengthSeconds() : $this->lengthSeconds() + CivilDate::SECONDS_PER_DAY;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** One time at which an event takes place, as the occurrence index has it, with what is drawn of the event. */
final readonly class IndexedOccurrence
{
    /**
     * @param  int  $starts  on the index's axis (see EventTime::indexSeconds)
     * @param  int  $ends  exclusive
     * @param  int  $calendarId  the one by which it is looked at; its own is $homeCalendarId
     * @param  ?int  $createdBy  who added the event
     * @param  list<int>  $categoryIds  ascending
     * @param  bool  $moreFollow  whether there are more times of it in the window than are told: this is the last of those
     */
    public function __construct(
        public int $calendarId,
        public int $eventId,
        public int $seriesId,
        public ?string $recurrenceId,
        public int $starts,
        public int $ends,
        public TimeKind $kind,
        public string $title,
        public string $place,
        public Status $status,
        public bool $busy,
        public bool $private,
        public bool $repeats,
        public ?int $createdBy,
        public array $categoryIds,
        public string $uid,
        public bool $hasParticipants,
        public int $homeCalendarId,
        public ?Colour $colour,
        public bool $moreFollow = false,
    ) {
    }

    /** The same, said to be the last that is told of more. */
    public function beforeMore(): self
    {
        return new self(
            $this->calendarId, $this->eventId, $this->seriesId, $this->recurrenceId, $this->starts, $this->ends, $this->kind, $this->title, $this->place, $this->status,
            $this->busy, $this->private, $this->repeats, $this->createdBy, $this->categoryIds, $this->uid, $this->hasParticipants, $this->homeCalendarId, $this->colour, true,
        );
    }

    /** Whether it is on the calendar by a pin, and not the calendar's own. */
    public function isPinned(): bool
    {
        return $this->homeCalendarId !== $this->calendarId;
    }

    /**
     * When it is on the wall of a zone; dates and floating times are the same on every wall.
     *
     * @return array{LocalDateTime, LocalDateTime} the end is exclusive
     */
    public function on(Zone $zone): array
    {
        return self::onWall($this->kind, $this->starts, $this->ends, $zone);
    }

    /**
     * The same as it is written: dates where it is all day, else wall times to the minute.
     *
     * @return array{string, string} the end is exclusive
     */
    public function written(Zone $zone): array
    {
        return array_map(fn (LocalDateTime $time): string => $this->kind === TimeKind::Date ? $time->toDate() : $time->toMinute(), $this->on($zone));
    }

    /**
     * The days that it takes up on the wall of a zone, as day numbers.
     *
     * @return array{int, int} first and last, both included
     */
    public function days(Zone $zone): array
    {
        return self::daysOf($this->kind, $this->starts, $this->ends, $zone);
    }

    /**
     * The same of a time of which only that is known: on the index's axis, the end exclusive.
     *
     * @return array{int, int} first and last, both included
     */
    public static function daysOf(TimeKind $kind, int $starts, int $ends, Zone $zone): array
    {
        [$start, $end] = self::onWall($kind, $starts, $ends, $zone);

        // What ends at midnight does not take up the day that begins then.
        return [$start->day(), (new LocalDateTime(max($start->seconds, $end->seconds - 1)))->day()];
    }

    /** @return array{LocalDateTime, LocalDateTime} */
    private static function onWall(TimeKind $kind, int $starts, int $ends, Zone $zone): array
    {
        return $kind === TimeKind::Zoned
            ? [new LocalDateTime($zone->toLocal($starts)), new LocalDateTime($zone->toLocal($ends))]
            : [new LocalDateTime($starts), new LocalDateTime($ends)];
    }
}

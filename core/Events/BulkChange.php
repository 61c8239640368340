<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** One change that is made to many series alike; what it does not say stays as it is. */
final readonly class BulkChange
{
    /**
     * @param  int  $shiftDays  by so many days on the wall
     * @param  int  $shiftMinutes  and by so many minutes; all-day events stay where they are
     * @param  list<string>  $addCategories
     * @param  list<string>  $dropCategories  whatever their case
     * @param  list<Participant>  $addParticipants  who takes part already gets this part
     * @param  list<Participant>  $dropParticipants  whatever part they take
     */
    public function __construct(
        public ?string $title = null,
        public ?string $place = null,
        public ?Status $status = null,
        public ?bool $busy = null,
        public ?bool $private = null,
        public ?int $priority = null,
        public int $shiftDays = 0,
        public int $shiftMinutes = 0,
        public array $addCategories = [],
        public array $dropCategories = [],
        public array $addParticipants = [],
        public array $dropParticipants = [],
    ) {
    }

    /**
     * The series as the change leaves it: its master and each time that was changed on its own, which keep their distance.
     *
     * @throws InvalidRule where a series cannot be moved by days: its rule fixes those on which it falls
     */
    public function apply(Series $series): Series
    {
        $master = $series->master;
        if ($master === null) {
            return new Series(null, array_map(fn (Event $override): Event => $this->applyTo($override, $override->timing->recurrence), $series->overrides));
        }
        $moved = OccurrenceChanges::all($series, $this->applyTo($master, RecurrenceShift::of($master->timing->recurrence, $master->timing->start, $this->shifted($master->timing->start))));

        return new Series($moved->master, array_map(fn (Event $override): Event => $this->applyTo($override, $override->timing->recurrence), $moved->overrides));
    }

    private function applyTo(Event $event, RecurrenceSet $recurrence): Event
    {
        return $event->with(
            timing: $event->timing->startingAt($this->shifted($event->timing->start))->repeating($recurrence),
            contents: $event->contents->with(
                title: $this->title,
                place: $this->place,
                status: $this->status,
                busy: $this->busy,
                private: $this->private,
                categories: $this->categories($event->contents->categories),
                priority: $this->priority,
            ),
            participants: Participants::changed($event->participants, $this->addParticipants, $this->dropParticipants),
        );
    }

    private function shifted(EventTime $time): EventTime
    {
        return $time->at($time->local->plusDays($this->shiftDays)->plusSeconds($time->kind === TimeKind::Date ? 0 : 60 * $this->shiftMinutes));
    }

    /**
     * @param  list<string>  $categories
     * @return list<string>
     */
    private function categories(array $categories): array
    {
        $lower = mb_strtolower(...);
        $dropped = array_map($lower, $this->dropCategories);
        $kept = array_values(array_filter($categories, static fn (string $name): bool => ! in_array($lower($name), $dropped, true)));
        $there = array_map($lower, $kept);

        return [...$kept, ...array_values(array_filter($this->addCategories, static fn (string $name): bool => ! in_array($lower($name), $there, true)))];
    }
}

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
     * @param  list<string>  $dropParticipants  their addresses, as Participant has them
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
            return new Series(null, array_map(fn (Event $override): Event => $this->applyTo($override, $override->recurrence), $series->overrides));
        }
        $moved = OccurrenceChanges::all($series, $this->applyTo($master, RecurrenceShift::of($master->recurrence, $master->start, $this->shifted($master->start))));

        return new Series($moved->master, array_map(fn (Event $override): Event => $this->applyTo($override, $override->recurrence), $moved->overrides));
    }

    private function applyTo(Event $event, RecurrenceSet $recurrence): Event
    {
        return $event->with(
            title: $this->title,
            start: $this->shifted($event->start),
            end: $this->shifted($event->end),
            recurrence: $recurrence,
            place: $this->place,
            status: $this->status,
            busy: $this->busy,
            private: $this->private,
            categories: $this->categories($event->categories),
            priority: $this->priority,
            participants: $this->participants($event->participants),
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

    /**
     * @param  list<Participant>  $participants
     * @return list<Participant>
     */
    private function participants(array $participants): array
    {
        $gone = [];
        foreach ([...$this->dropParticipants, ...array_map(static fn (Participant $each): string => $each->address, $this->addParticipants)] as $address) {
            $gone[mb_strtolower($address)] = true;
        }
        $before = [];
        $kept = [];
        foreach ($participants as $each) {
            $before[mb_strtolower($each->address)] = $each;
            if (! isset($gone[mb_strtolower($each->address)])) {
                $kept[] = $each;
            }
        }
        foreach ($this->addParticipants as $each) {
            $old = $before[mb_strtolower($each->address)] ?? null;
            $kept[] = $old === null ? $each : new Participant($old->address, $old->name, $old->kind, $each->role, $old->answer, $old->asked, $old->parameters);
        }

        return $kept;
    }
}

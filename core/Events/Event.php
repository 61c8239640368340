<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Component;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Overlay\Colour;
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
     * @param  bool  $andFollowing  whether this change of one occurrence holds for all that follow it, too (RANGE=THISANDFUTURE, RFC 5545, 3.2.13)
     * @param  ?Participant  $organizer  whoever asks the participants (ORGANIZER)
     * @param  list<Participant>  $participants
     * @param  list<Reminder>  $reminders
     * @param  list<Property>  $extra  properties that this program does not know, kept for writing
     * @param  list<Component>  $components  likewise, components inside the event
     * @param  ?Colour  $colour  its own, whatever the layer has that shows it
     * @param  ?int  $stamp  when the file it came in says that it was written (DTSTAMP), UTC seconds
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
        public bool $andFollowing = false,
        public ?Participant $organizer = null,
        public array $participants = [],
        public array $reminders = [],
        public array $extra = [],
        public array $components = [],
        public ?int $stamp = null,
        public ?Colour $colour = null,
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

    /**
     * The same event with other values; what is left out stays as it is.
     *
     * @param  ?list<string>  $categories
     * @param  ?list<Participant>  $participants
     * @param  ?list<Reminder>  $reminders
     *
     * @throws InvalidTime as the constructor does
     */
    public function with(
        ?string $uid = null,
        ?string $title = null,
        ?EventTime $start = null,
        ?EventTime $end = null,
        ?RecurrenceSet $recurrence = null,
        ?EventTime $recurrenceId = null,
        ?string $place = null,
        ?Status $status = null,
        ?bool $busy = null,
        ?bool $private = null,
        ?array $categories = null,
        ?int $priority = null,
        ?array $participants = null,
        ?array $reminders = null,
    ): self {
        return new self(
            $uid ?? $this->uid, $title ?? $this->title, $start ?? $this->start, $end ?? $this->end, $recurrence ?? $this->recurrence,
            $this->duration, $recurrenceId ?? $this->recurrenceId, $place ?? $this->place, $this->description, $this->link,
            $status ?? $this->status, $busy ?? $this->busy, $private ?? $this->private, $categories ?? $this->categories,
            $priority ?? $this->priority, $this->sequence, $this->andFollowing, $this->organizer, $participants ?? $this->participants,
            $reminders ?? $this->reminders, $this->extra, $this->components, $this->stamp, $this->colour,
        );
    }

    /** One occurrence of this series as an event of its own, to be changed. */
    public function occurringAt(Occurrence $occurrence): self
    {
        return $this->at($occurrence, new RecurrenceSet, $occurrence->recurrenceId);
    }

    /** A series of its own that begins with an occurrence of this one, to be changed. */
    public function beginningAt(Occurrence $occurrence, RecurrenceSet $recurrence): self
    {
        return $this->at($occurrence, $recurrence, null);
    }

    private function at(Occurrence $occurrence, RecurrenceSet $recurrence, ?EventTime $recurrenceId): self
    {
        return new self(
            $this->uid, $this->title, $occurrence->start, $occurrence->start->at($occurrence->localEnd()), $recurrence, null, $recurrenceId,
            $this->place, $this->description, $this->link, $this->status, $this->busy, $this->private, $this->categories, $this->priority,
            $this->sequence, false, $this->organizer, $this->participants, $this->reminders, $this->extra, $this->components, $this->stamp, $this->colour,
        );
    }

    /** The same event under another name that nobody is asked to and nobody is reminded of. */
    public function copied(string $uid): self
    {
        return $this->with(uid: $uid, participants: [], reminders: []);
    }

    /** Where a change that holds for all that follow puts an occurrence: moved on the wall as the changed one was. */
    public function movedAlong(EventTime $original): EventTime
    {
        $original = $this->start->zone === null ? $original : $original->inZone($this->start->zone);
        $named = $this->recurrenceId ?? $this->start;
        $named = $this->start->zone === null ? $named : $named->inZone($this->start->zone);

        return $this->start->at($original->local->plusSeconds($this->start->local->seconds - $named->local->seconds));
    }

    /**
     * Whether somebody takes part: by their mail address, or by a group that they are in.
     *
     * @param  list<int>  $groupIds
     */
    public function involves(string $address, array $groupIds): bool
    {
        if ($this->hasParticipant($address)) {
            return true;
        }
        foreach ($groupIds === [] ? [] : $this->participants as $participant) {
            if (in_array(Participants::groupId($participant), $groupIds, true)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the holder of a mail address takes part. */
    public function hasParticipant(string $address): bool
    {
        foreach ($this->participants as $participant) {
            if (strcasecmp($participant->mailAddress(), $address) === 0 && $address !== '') {
                return true;
            }
        }

        return false;
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

    /** Where an occurrence that starts then ends, on the index's axis; exclusive. */
    public function endOf(EventTime $start): int
    {
        if ($this->recurrence->extraDates !== []) {
            $own = $this->recurrence->endOfPeriod($start, $this->start);
            if ($own !== null) {
                return max($own->indexSeconds(), $start->indexSeconds());
            }
        }

        return $this->duration === null ? $start->indexSeconds() + $this->lengthSeconds() : $this->duration->addTo($start)->indexSeconds();
    }

    /** No occurrence of the event is longer than this, in seconds: a nominal day may have 25 hours. */
    public function longestSeconds(): int
    {
        $length = $this->duration === null ? $this->lengthSeconds() : $this->lengthSeconds() + CivilDate::SECONDS_PER_DAY;

        return max($length, $this->recurrence->longestPeriodSeconds());
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\EventTime;

/** An event as its author wrote it: single, the master of a series, or one changed occurrence of a series. */
final readonly class Event
{
    /**
     * @param  ?EventTime  $recurrenceId  the original start of the occurrence that this one replaces
     * @param  bool  $andFollowing  whether this change of one occurrence holds for all that follow it, too (RANGE=THISANDFUTURE, RFC 5545, 3.2.13)
     * @param  ?Participant  $organizer  whoever asks the participants (ORGANIZER)
     * @param  list<Participant>  $participants
     * @param  list<Reminder>  $reminders
     * @param  ?int  $stamp  when it was written, as it stands (DTSTAMP), UTC seconds
     * @param  ?int  $created  when the file it came in says that it was made (CREATED), UTC seconds
     * @param  ?int  $modified  when it was last changed (LAST-MODIFIED), UTC seconds
     */
    public function __construct(
        public string $uid,
        public EventTiming $timing,
        public EventContents $contents,
        public ?EventTime $recurrenceId = null,
        public bool $andFollowing = false,
        public ?Participant $organizer = null,
        public array $participants = [],
        public array $reminders = [],
        public ForeignContent $foreign = new ForeignContent,
        public int $sequence = 0,
        public ?int $stamp = null,
        public ?int $created = null,
        public ?int $modified = null,
    ) {
    }

    /**
     * The same event with other values; what is left out stays as it is.
     *
     * @param  ?list<Participant>  $participants
     * @param  ?list<Reminder>  $reminders
     */
    public function with(
        ?string $uid = null,
        ?EventTiming $timing = null,
        ?EventContents $contents = null,
        ?EventTime $recurrenceId = null,
        ?Participant $organizer = null,
        ?array $participants = null,
        ?array $reminders = null,
        ?ForeignContent $foreign = null,
        ?int $sequence = null,
        ?int $created = null,
    ): self {
        return new self(
            $uid ?? $this->uid, $timing ?? $this->timing, $contents ?? $this->contents, $recurrenceId ?? $this->recurrenceId, $this->andFollowing,
            $organizer ?? $this->organizer, $participants ?? $this->participants, $reminders ?? $this->reminders, $foreign ?? $this->foreign,
            $sequence ?? $this->sequence, $this->stamp, $created ?? $this->created, $this->modified,
        );
    }

    /** The same event repeating otherwise. */
    public function repeating(RecurrenceSet $recurrence): self
    {
        return $this->with(timing: $this->timing->repeating($recurrence));
    }

    /** One occurrence of this series as an event of its own, to be changed. */
    public function occurringAt(Occurrence $occurrence): self
    {
        return $this->at($occurrence, new RecurrenceSet, $occurrence->recurrenceId);
    }

    /** One occurrence of this series as an event that stands alone, with no series that it is of. */
    public function alone(Occurrence $occurrence): self
    {
        return $this->beginningAt($occurrence, new RecurrenceSet);
    }

    /** A series of its own that begins with an occurrence of this one, to be changed. */
    public function beginningAt(Occurrence $occurrence, RecurrenceSet $recurrence): self
    {
        return $this->at($occurrence, $recurrence, null);
    }

    private function at(Occurrence $occurrence, RecurrenceSet $recurrence, ?EventTime $recurrenceId): self
    {
        $isPeriod = $this->timing->hasOwnEnd($occurrence->start);
        $timing = $this->timing->duration === null || $isPeriod
            ? EventTiming::between($occurrence->start, $this->timing->toldEnd($occurrence->start->at($occurrence->localEnd())), $recurrence)
            : EventTiming::lasting($occurrence->start, $this->timing->duration, $recurrence);

        return new self(
            $this->uid, $timing, $this->contents, $recurrenceId, false,
            $this->organizer, $this->participants, $this->reminders, $this->foreign, $this->sequence, $this->stamp, $this->created, $this->modified,
        );
    }

    /** The same event under another name that nobody is asked to and nobody is reminded of. */
    public function copied(string $uid): self
    {
        return new self($uid, $this->timing, $this->contents, $this->recurrenceId, $this->andFollowing, null, [], [], $this->foreign, $this->sequence, $this->stamp, $this->created, $this->modified);
    }

    /**
     * Where a change that holds for all that follow puts an occurrence: moved on the wall as the changed one was.
     *
     * @param  EventTime  $named  the occurrence that was changed, as the series has it: in the hour that clocks leave out the series says another wall time than its name does
     */
    public function movedAlong(EventTime $original, EventTime $named): EventTime
    {
        $start = $this->timing->start;
        if ($original->equals($named)) {
            return $start;
        }
        [$original, $named] = $start->zone === null ? [$original, $named] : [$original->inZone($start->zone), $named->inZone($start->zone)];

        return $start->at($original->local->plusSeconds($start->local->seconds - $named->local->seconds));
    }
}

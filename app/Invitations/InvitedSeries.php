<?php

namespace App\Invitations;

use App\Directory\GroupMemberships;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Outbox\NothingToSend;
use App\Participants\AskedAs;
use App\Participants\OrganiserData;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Invitations\Invited;

/** What whoever has an invitation is asked to now. */
final class InvitedSeries
{
    public function __construct(private readonly EventTranslator $translator, private readonly GroupMemberships $memberships)
    {
    }

    /** @return ?Series null where that is nothing */
    public function now(EventInvitation $invitation): ?Series
    {
        $head = $invitation->event;
        if ($head === null || $head->trashed()) {
            return null;
        }
        $head->loadMissing(EventRecord::WHOLE);
        $groups = $invitation->person === null ? [] : $this->memberships->of($invitation->person);
        $organizer = new Participant('mailto:'.$invitation->answerAddress(), $this->organiser($head));

        return Invited::of($this->translator->series($head), static fn (Event $event): ?Participant => self::asked($event, $invitation, $groups), $organizer, $head->calendarAsks(), $invitation->told !== null);
    }

    /**
     * As whom they are asked to an event: themselves, or as one of a group.
     *
     * @param  list<int>  $groups
     */
    private static function asked(Event $event, EventInvitation $invitation, array $groups): ?Participant
    {
        return $invitation->person === null ? Participants::find($event->participants, $invitation->participant()) : AskedAs::of($event, $invitation->person, $groups);
    }

    /**
     * The event that a letter is about.
     *
     * @param  string  $occurrence  the name of a time, of a series; empty: all of it
     *
     * @throws NothingToSend where there is no such time any more
     */
    public static function meant(Series $series, string $occurrence): Event
    {
        if ($occurrence === '') {
            return $series->events()[0];
        }
        $found = $series->find(RecurrenceId::parse($occurrence)) ?? throw new NothingToSend('The time that was meant is gone.');

        return OccurrenceChanges::single($found);
    }

    /** Who asks, by name. */
    public function organiser(EventRecord $head): string
    {
        return OrganiserData::of($head->loadMissing(EventRecord::WHOLE), $this->translator->series($head)->events()[0])->name ?? '';
    }
}

<?php

namespace App\Invitations;

use App\Directory\GroupMemberships;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Participants\AskedAs;
use App\Participants\OrganiserData;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
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

        return Invited::of($this->translator->series($head), static fn (Event $event): ?Participant => self::asked($event, $invitation, $groups), $organizer, $head->loadMissing('calendar')->calendar?->askWhen() ?? AskWhen::Confirmed, $invitation->told !== null);
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

    /** Who asks, by name. */
    public function organiser(EventRecord $head): string
    {
        return OrganiserData::of($head->loadMissing(EventRecord::WHOLE), $this->translator->series($head)->events()[0])->name ?? '';
    }
}

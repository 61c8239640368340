<?php

namespace App\Invitations;

use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Participants\EventParticipantData;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;

/** What holds for whoever has an invitation, beyond what they are asked to: how many places there are, who else is asked, whether they may ask others. */
final class TermsOfInvitation
{
    private const ANSWERS = [ParticipantAnswer::Accepted->value => 'comes', ParticipantAnswer::Tentative->value => 'perhaps', ParticipantAnswer::Declined->value => 'does not come', ParticipantAnswer::Waiting->value => 'waits for a place'];

    public function __construct(private readonly EventTranslator $translator)
    {
    }

    /** @param  ?Series  $now  what they are asked to (see InvitedSeries) */
    public function of(EventInvitation $invitation, ?Series $now): InvitedTerms
    {
        $event = $this->event($invitation, $now);
        if ($event === null) {
            return InvitedTerms::none();
        }
        $them = InvitationAnswers::them($now) ?? $invitation->participant();
        $others = array_filter($event->participants, static fn (Participant $each): bool => ! $each->is($them));

        return new InvitedTerms(
            Places::of($event), Places::taken($event), count(Places::waiting($event)), Places::position($event, $them), $them->answer !== ParticipantAnswer::Waiting && Places::isFullFor($event, $them),
            GuestRight::See->isGivenBy($event) ? array_values(array_map(static fn (Participant $each): array => [EventParticipantData::written($each), self::ANSWERS[$each->answer->value] ?? ''], $others)) : [],
            GuestRight::Bring->isGivenBy($event), $event->contents->status === Status::Provisional,
        );
    }

    /** The time that is meant, where they are asked to single ones of a series alone: the first of those; null: all of it. */
    public function time(EventInvitation $invitation, ?Series $now): ?Occurrence
    {
        $name = $now === null || $now->master !== null ? null : $now->overrides[0]->recurrenceId ?? null;
        $head = $invitation->event;

        return $name === null || $head === null ? null : $this->translator->series($head->loadMissing(EventRecord::WHOLE))->find($name);
    }

    private function event(EventInvitation $invitation, ?Series $now): ?Event
    {
        $head = $invitation->event;
        if ($head === null || $now === null) {
            return null;
        }

        return $this->time($invitation, $now)->event ?? $this->translator->series($head->loadMissing(EventRecord::WHOLE))->events()[0];
    }
}

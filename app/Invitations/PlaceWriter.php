<?php

namespace App\Invitations;

use App\Events\EventTranslator;
use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Invitations\ChangeWords;

/** The letter to somebody whom the directory does not know: that they have a place at an event now, or wait for one. It says how that stands when it goes. */
final class PlaceWriter implements WritesLetters
{
    public function __construct(private readonly InvitedSeries $series, private readonly EventTranslator $translator, private readonly Factory $views)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $invitation = $letter->invitation ?? throw new NothingToSend('The event is gone.');
        $head = $invitation->event;
        if ($head === null || $this->series->now($invitation) === null) {
            throw new NothingToSend('They are no longer asked.');
        }
        $event = InvitedSeries::meant($this->translator->series($head), (string) ($letter->about['time'] ?? ''));
        $answer = Participants::find($event->participants, $invitation->participant())?->answer;
        if (! in_array($answer, [ParticipantAnswer::Accepted, ParticipantAnswer::Waiting], true)) {
            throw new NothingToSend('They do not come any more.');
        }
        $organiser = $this->series->organiser($head);
        $words = ['title' => $event->contents->title, 'when' => ChangeWords::when($event, null), 'zone' => $event->timing->start->zone?->name, 'waitsAt' => Places::position($event, $invitation->participant()), 'invitation' => $invitation];

        return new WrittenLetter(
            address: $invitation->address, name: '', from: $organiser === '' ? (string) config('mail.from.name') : $organiser,
            subject: ($words['waitsAt'] === null ? 'You have a place' : 'All places are taken').": {$event->contents->title}, {$words['when']}",
            text: $this->views->make('letters.place-text', $words)->render(), html: $this->views->make('letters.place', $words)->render(),
            replyTo: $invitation->answerAddress(), thread: "invitation-{$invitation->id}",
        );
    }
}

<?php

namespace App\Invitations;

use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Invitations\ChangeWords;
use PinnedRota\Core\Time\Zone;

/** The letter to somebody whose proposal of another time was declined (DECLINECOUNTER, RFC 5546, 3.2.8): it stays at its time. */
final class ProposalDeclinedWriter implements WritesLetters
{
    public function __construct(private readonly InvitedSeries $series, private readonly Factory $views)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $invitation = $letter->invitation ?? throw new NothingToSend('The event is gone.');
        $now = $this->series->now($invitation) ?? throw new NothingToSend('They are no longer asked.');
        $event = InvitedSeries::meant($now, (string) ($letter->about['occurrence'] ?? ''));
        $organiser = $invitation->event === null ? '' : $this->series->organiser($invitation->event);
        $words = [
            'title' => $event->contents->title, 'when' => ChangeWords::when($event, $invitation->person === null ? null : Zone::of($invitation->person->timezone)),
            'organiser' => $organiser, 'invitation' => $invitation,
        ];
        $told = $event->with(sequence: $invitation->sequence);

        return new WrittenLetter(
            address: $invitation->person->email ?? $invitation->address, name: $invitation->person->name ?? '', from: $organiser, subject: "Stays as it is: {$event->contents->title}, {$words['when']}",
            text: $this->views->make('letters.proposal-declined-text', $words)->render(), html: $this->views->make('letters.proposal-declined', $words)->render(),
            replyTo: $invitation->answerAddress(), thread: "invitation-{$invitation->id}", method: Method::DeclineCounter,
            calendar: CalendarWriter::text(new CalendarHead(more: [new Property('METHOD', Method::DeclineCounter->value)]), [$told->recurrenceId === null ? new Series($told) : new Series(null, [$told])]),
        );
    }
}

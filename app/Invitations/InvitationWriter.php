<?php

namespace App\Invitations;

use App\Outbox\LetterHours;
use App\Outbox\LetterKind;
use App\Outbox\NothingToSend;
use App\Outbox\Outbox;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\Invitations\ChangeWords;
use PinnedRota\Core\Invitations\InvitationMessage;
use PinnedRota\Core\Invitations\Invited;
use PinnedRota\Core\Time\Zone;

/** The letter to somebody who is asked to take part: that they are, what changed, or that it is called off. */
final class InvitationWriter implements WritesLetters
{
    private const SUBJECTS = ['first' => 'Asked', 'again' => 'Please answer', 'changed' => 'Changed', 'off' => 'Called off'];

    public function __construct(private readonly InvitedSeries $series, private readonly Factory $views, private readonly Outbox $outbox)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $invitation = $letter->invitation ?? throw new NothingToSend('The event is gone, and they had nothing of it.');
        $person = $invitation->person;
        if ($person !== null && ! $person->isActive()) {
            throw new NothingToSend('They are no longer active.');
        }
        if ($person !== null && ! $person->invitations_by_mail) {
            throw new NothingToSend('They do not want invitations by mail.');
        }
        $now = $this->series->now($invitation);
        $told = ($letter->about['again'] ?? false) === true ? null : $invitation->toldSeries();
        $message = InvitationMessage::between($told, $now) ?? throw new NothingToSend('Nothing they know of is another.');
        if (self::isOver($message->series)) {
            throw new NothingToSend('It is over.');
        }
        if (! self::isSoon($message->series)) {
            LetterHours::await($person);
        }
        // A copy of what they have is of the same number.
        $isCopy = $told === null && $invitation->told !== null;
        $sequence = $invitation->sequence + ($message->raises() && $invitation->told !== null && ! $isCopy ? 1 : 0);
        $kind = match (true) {
            $message->method === Method::Cancel => 'off',
            $told === null => ($letter->about['reminds'] ?? false) === true ? 'again' : 'first',
            default => 'changed',
        };
        $zone = $person === null ? null : Zone::of($person->timezone);
        $event = $message->series->events()[0];
        $head = $invitation->event;
        $organiser = $head === null ? '' : $this->series->organiser($head);
        $words = [
            'kind' => $kind, 'title' => $event->contents->title, 'times' => array_map(static fn (Event $each): string => ChangeWords::when($each, $zone), $message->series->events()),
            'zone' => $person === null ? $event->timing->start->zone?->name : null, 'place' => $event->contents->place, 'description' => $event->contents->description, 'link' => $event->contents->link, 'meeting' => $kind === 'off' ? '' : (string) MeetingLink::of($event),
            'isProvisional' => $event->contents->status === Status::Provisional, 'organiser' => $organiser, 'were' => $kind === 'changed' ? ChangeWords::were($told, $message->series, $zone) : [],
            'asks' => $kind !== 'off' && ($event->participants[0] ?? null)?->isWanted() === true, 'asksAnew' => $kind === 'changed' && $message->asks,
            'isResponsible' => ($event->participants[0]->role ?? null) === ParticipantRole::Responsible, 'invitation' => $invitation,
        ];

        return new WrittenLetter(
            address: $person->email ?? $invitation->address, name: $person->name ?? '', from: $organiser === '' ? (string) config('mail.from.name') : $organiser,
            subject: self::SUBJECTS[$kind].": {$event->contents->title}, {$words['times'][0]}",
            text: $this->views->make('letters.invitation-text', $words)->render(), html: $this->views->make('letters.invitation', $words)->render(),
            replyTo: $invitation->answerAddress(), thread: "invitation-{$invitation->id}", method: $message->method, calendar: $message->text($sequence),
            whenSent: function () use ($invitation, $now, $message, $sequence, $isCopy): void {
                $invitation->update([
                    'told' => $message->known === null ? null : Invited::write($message->known), 'sequence' => $sequence, 'told_at' => now(), 'bounced_at' => null, 'bounce' => '',
                ] + ($message->asks && ! $isCopy ? ['asked_from' => $sequence] : []));
                if ($message->known != $now) {
                    $this->outbox->put(LetterKind::Invitation, [['slot' => "invitation {$invitation->id}", 'address' => $invitation->address, 'person_id' => $invitation->person_id, 'invitation_id' => $invitation->id]], now());
                }
            },
        );
    }

    /** Whether any of it is within a day, so that it does not wait for the morning. */
    private static function isSoon(Series $series): bool
    {
        $now = now()->getTimestamp();

        return $series->occurrences($now, $now + 86_400) !== [];
    }

    /** Whether the last of its times has ended, as far as that is known. */
    private static function isOver(Series $series): bool
    {
        $now = now()->getTimestamp();
        foreach ($series->events() as $event) {
            if ($event->timing->repeats() || $event->timing->endOf($event->timing->start) > $now) {
                return false;
            }
        }

        return true;
    }
}

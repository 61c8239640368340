<?php

namespace App\Invitations\Receive;

use App\Changes\Change;
use App\Events\EventRecord;
use App\Invitations\EventInvitation;
use App\Invitations\InvitationAnswers;
use App\Invitations\InvitedSeries;
use App\Invitations\Organiser;
use App\Invitations\ReceivedReply;
use App\Invitations\ReplyKind;
use App\Invitations\ReplyReason;
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Invitations\AnswerCode;
use PinnedRota\Core\Invitations\CalendarReply;

/**
 * Takes in what comes back by mail: answers, proposals of another time, that something is to be sent again, and letters that did not arrive.
 * Whose it is says the code in the address that it goes to, which was sent to nobody else; what it says of itself can be forged, and is
 * for whoever asked to see.
 */
final class ReceiveLetter
{
    /** So much of one event waits at most: anybody can write any number of letters. */
    private const MOST_WAITING = 200;

    private const COUNTED = [ParticipantAnswer::Accepted, ParticipantAnswer::Declined, ParticipantAnswer::Tentative];

    public function __construct(private readonly InvitedSeries $series, private readonly InvitationAnswers $answers, private readonly Outbox $outbox)
    {
    }

    /** @param  resource  $stream  a letter with its headers */
    public function receive(mixed $stream): Received
    {
        $letter = IncomingLetter::read($stream);
        $invitation = self::invitation($letter->codes());
        if ($letter->isReport()) {
            return $invitation === null ? Received::Ignored : $this->bounced($invitation, $letter);
        }
        $calendar = $letter->calendar();
        if ($calendar === null) {
            return $invitation === null || $letter->isAutomatic() ? Received::Ignored : $this->words($invitation, $letter);
        }
        try {
            $replies = CalendarReply::read($calendar, $invitation->address ?? $letter->from());
        } catch (NotICalendar) {
            return Received::Ignored;
        }
        // Some programs answer to whoever asked as the calendar names them, whatever the letter says.
        $invitation ??= self::invitation(array_map(static fn (CalendarReply $each): string => AnswerCode::inAddress($each->organizer), $replies));
        $received = Received::Ignored;
        foreach ($replies as $reply) {
            $each = $invitation === null || $invitation->event?->uid !== $reply->uid ? $this->unsigned($letter, $reply) : $this->take($invitation, $letter, $reply);
            $received = $each === Received::Ignored ? $received : $each;
        }

        return $received;
    }

    private function take(EventInvitation $invitation, IncomingLetter $letter, CalendarReply $reply): Received
    {
        if ($reply->method === Method::Refresh) {
            $this->outbox->put(LetterKind::Invitation, [['slot' => "again invitation {$invitation->id}", 'address' => $invitation->address, 'person_id' => $invitation->person_id, 'invitation_id' => $invitation->id, 'about' => ['again' => true]]], now());

            return Received::SentAgain;
        }
        $now = $this->series->now($invitation);
        if ($now === null) {
            return Received::Ignored;
        }

        return match ($reply->method) {
            Method::Reply => $this->answer($invitation, $now, $letter, $reply),
            Method::Counter => $this->propose($invitation, $now, $letter, $reply),
            default => Received::Ignored,
        };
    }

    private function answer(EventInvitation $invitation, Series $now, IncomingLetter $letter, CalendarReply $reply): Received
    {
        if ($reply->answer === null || InvitationAnswers::them($now)?->isWanted() !== true) {
            return Received::Ignored;
        }
        if ($reply->answer === ParticipantAnswer::Delegated) {
            return $this->list($invitation, $letter, $reply, ReplyReason::Delegated);
        }
        if (! in_array($reply->answer, self::COUNTED, true)) {
            return Received::Ignored;
        }
        if ($reply->sequence < $invitation->asked_from) {
            return $this->list($invitation, $letter, $reply, ReplyReason::Outdated);
        }

        return $this->answers->give($invitation, $now, $reply->answer, $reply->note, $reply->occurrence) ? Received::Answered : $this->list($invitation, $letter, $reply, ReplyReason::Outdated);
    }

    private function propose(EventInvitation $invitation, Series $now, IncomingLetter $letter, CalendarReply $reply): Received
    {
        $event = $reply->occurrence === null ? $now->events()[0] : null;
        $found = $reply->occurrence === null ? null : $now->find($reply->occurrence);
        [$start, $end] = $found === null ? [$event?->timing->start, $event?->timing->end] : [$found->start, $found->start->at($found->localEnd())];
        if ($start === null || $end === null || $reply->start === null || $reply->end === null || ! $reply->proposesOther($start, $end)) {
            return $this->answer($invitation, $now, $letter, $reply);
        }
        DB::transaction(function () use ($invitation, $letter, $reply): void {
            $occurrence = $reply->occurrence === null ? null : RecurrenceId::text($reply->occurrence);
            // Whoever proposes again means what they say last.
            ReceivedReply::query()->where('invitation_id', $invitation->id)->where('kind', ReplyKind::Proposal)->where('occurrence', $occurrence)->whereNull('handled_at')->update(['handled_at' => now()]);
            $this->put($invitation, $letter, $reply, ReplyKind::Proposal, null, ['starts' => RecurrenceId::text($reply->start), 'ends' => RecurrenceId::text($reply->end)]);
        });

        return Received::Proposed;
    }

    /** An answer to what is here, with nothing in it by which it is known whose it is. */
    private function unsigned(IncomingLetter $letter, CalendarReply $reply): Received
    {
        $head = $reply->method !== Method::Reply ? null : EventRecord::query()->whereNull('series_id')->where('uid', $reply->uid)->whereNull('import_id')->whereNull('fingerprint')->first();
        if ($head === null) {
            return Received::Ignored;
        }
        $this->write($head, null, $letter, $reply, ReplyKind::Answer, ReplyReason::Unsigned);

        return Received::Listed;
    }

    private function list(EventInvitation $invitation, IncomingLetter $letter, CalendarReply $reply, ReplyReason $reason): Received
    {
        $this->put($invitation, $letter, $reply, ReplyKind::Answer, $reason);

        return Received::Listed;
    }

    private function words(EventInvitation $invitation, IncomingLetter $letter): Received
    {
        $words = $letter->words();
        if ($words === '' || $invitation->event === null || $invitation->event->trashed()) {
            return Received::Ignored;
        }
        ReceivedReply::query()->create(['event_id' => $invitation->event_id, 'invitation_id' => $invitation->id, 'kind' => ReplyKind::Message, 'sender' => self::sender($letter), 'note' => $words]);
        self::mark($invitation->event);

        return Received::Listed;
    }

    private function bounced(EventInvitation $invitation, IncomingLetter $letter): Received
    {
        $failure = $letter->failure();
        if ($failure === null) {
            return Received::Ignored;
        }
        $invitation->update(['bounced_at' => now(), 'bounce' => mb_substr($failure, 0, 500)]);
        if ($invitation->event !== null) {
            self::mark($invitation->event);
        }

        return Received::Bounced;
    }

    /** @param  array<string, string>  $more */
    private function put(EventInvitation $invitation, IncomingLetter $letter, CalendarReply $reply, ReplyKind $kind, ?ReplyReason $reason, array $more = []): void
    {
        if ($invitation->event !== null) {
            $this->write($invitation->event, $invitation, $letter, $reply, $kind, $reason, $more);
        }
    }

    /** @param  array<string, string>  $more */
    private function write(EventRecord $head, ?EventInvitation $invitation, IncomingLetter $letter, CalendarReply $reply, ReplyKind $kind, ?ReplyReason $reason, array $more = []): void
    {
        if (ReceivedReply::query()->where('event_id', $head->id)->whereNull('handled_at')->count() >= self::MOST_WAITING) {
            return;
        }
        $occurrence = $reply->occurrence === null ? null : RecurrenceId::text($reply->occurrence);
        // What comes twice is listed once.
        $same = ['event_id' => $head->id, 'invitation_id' => $invitation?->id, 'kind' => $kind, 'sender' => self::sender($letter), 'answer' => $reply->answer, 'occurrence' => $occurrence, 'reason' => $reason] + $more;
        ReceivedReply::query()->whereNull('handled_at')->firstOrCreate($same, ['note' => mb_substr($reply->note, 0, InvitationAnswers::LONGEST_NOTE)]);
        self::mark($head);
    }

    private static function mark(EventRecord $head): void
    {
        $organiser = Organiser::of($head);
        if ($organiser !== null) {
            Change::ofAccess([$organiser]);
        }
    }

    private static function sender(IncomingLetter $letter): string
    {
        return mb_substr($letter->from(), 0, 190);
    }

    /** @param  list<string>  $codes */
    private static function invitation(array $codes): ?EventInvitation
    {
        foreach ($codes as $code) {
            $found = EventInvitation::ofCode($code);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}

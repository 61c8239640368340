<?php

namespace App\Invitations;

use App\Access\Perspective;
use App\Calendars\CalendarNameData;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Participants\EventParticipantData;
use App\Participants\ParticipantRecord;
use Illuminate\Database\Eloquent\Builder;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** What came back by mail to what somebody asks others to, and waits for them. */
final class WaitingReplies
{
    private const MOST = 100;

    public function __construct(private readonly SeenSeries $seen)
    {
    }

    /** @return list<ReplyWaitingData> the newest first */
    public function of(Perspective $perspective, Zone $zone): array
    {
        $waiting = self::waitingFor($perspective->viewer->personId)->with(['event' => fn ($event) => $event->with(EventRecord::WHOLE), 'invitation.person'])->orderByDesc('id')->limit(self::MOST)->get();

        return array_values(array_filter($waiting->map(fn (ReceivedReply $each): ?ReplyWaitingData => $this->told($each, $perspective, $zone))->all()));
    }

    /** @return Builder<ReceivedReply> what waits for a person */
    public static function waitingFor(?int $personId): Builder
    {
        $organiser = ParticipantRecord::query()->where('organizer', true)->whereColumn('event_participants.event_id', 'received_replies.event_id');

        return ReceivedReply::query()->whereNull('handled_at')->whereHas('event')->where(static fn ($any) => $any
            ->whereExists((clone $organiser)->where('person_id', $personId)->toBase())
            ->orWhere(static fn ($author) => $author->whereNotExists($organiser->toBase())->whereHas('event', static fn ($event) => $event->where('created_by', $personId))));
    }

    /** Who it is of, among those who take part; null where they are none of them. */
    public static function participant(ReceivedReply $reply, Event $event): ?Participant
    {
        return Participants::find($event->participants, $reply->invitation?->participant() ?? new Participant("mailto:{$reply->sender}"));
    }

    private function told(ReceivedReply $reply, Perspective $perspective, Zone $zone): ?ReplyWaitingData
    {
        $head = $reply->event;
        if ($head === null || $this->seen->asSuch($head, $perspective) !== Visibility::Full) {
            return null;
        }
        $series = $this->seen->load($head);
        $occurrence = $reply->occurrence === null ? null : $series->find(RecurrenceId::parse($reply->occurrence));
        $event = $occurrence->event ?? $series->events()[0];
        $participant = self::participant($reply, $event);
        $wall = static fn (?EventTime $time): ?string => $time === null ? null : ($time->kind === TimeKind::Date ? $time->local->toDate() : ($time->zone === null ? $time : $time->inZone($zone))->local->toMinute());
        $proposed = static fn (?string $text): ?string => $text === null ? null : $wall(RecurrenceId::parse($text));
        $calendar = $perspective->calendars[$head->calendar_id] ?? null;

        return $calendar === null ? null : new ReplyWaitingData(
            $reply->id, $reply->kind, $head->id, $reply->occurrence, $event->contents->title,
            $reply->invitation?->person->name ?? ($participant === null ? $reply->sender : EventParticipantData::written($participant)), $reply->created_at->toIso8601ZuluString(),
            (string) $wall($occurrence->start ?? $event->timing->start), $proposed($reply->starts), $proposed($reply->ends), $reply->starts === null ? $event->timing->isAllDay() : strlen($reply->starts) === 10,
            $reply->answer === null || $reply->kind !== ReplyKind::Answer ? null : strtolower($reply->answer->name), $reply->note, $reply->reason,
            $this->mayTake($reply, $head, $series, $occurrence, $participant, $perspective), CalendarNameData::of($calendar->calendar),
        );
    }

    private function mayTake(ReceivedReply $reply, EventRecord $head, Series $series, ?Occurrence $occurrence, ?Participant $participant, Perspective $perspective): bool
    {
        if ($participant === null || ($reply->occurrence !== null && $occurrence === null)) {
            return false;
        }

        return match ($reply->kind) {
            ReplyKind::Proposal => $this->seen->mayChangeByCalendar($head, $perspective),
            ReplyKind::Answer => $reply->reason !== ReplyReason::Delegated,
            ReplyKind::Message => false,
        };
    }
}

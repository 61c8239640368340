<?php

namespace App\Invitations;

use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AnswerOccurrence;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\OperationKind;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesMove;
use PinnedRota\Core\Events\SeriesTimes;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;

/** Takes what came back by mail: the event goes to the time that was proposed, or the answer is counted. */
final class TakeReply
{
    public function __construct(private readonly SeenSeries $seen, private readonly ChangeEvents $changes)
    {
    }

    /** @throws ValidationException where it cannot be taken any more */
    public function take(ReceivedReply $reply, EventRecord $head, Perspective $perspective, Person $person): void
    {
        $series = $this->seen->load($head);
        $occurrence = $reply->occurrence === null ? null : RecurrenceId::parse($reply->occurrence);
        $found = $occurrence === null ? null : $series->find($occurrence);
        $who = WaitingReplies::participant($reply, $found->event ?? $series->events()[0]);
        if ($who === null || ($occurrence !== null && $found?->recurrenceId === null)) {
            throw ValidationException::withMessages(['take' => 'They are not asked to this any more.']);
        }
        $answer = static fn (ParticipantAnswer $answer): Command => $found?->recurrenceId === null
            ? new AnswerSeries($head->id, $who, $answer, $reply->note) : new AnswerOccurrence($head->id, $found->recurrenceId, $who, $answer, $reply->note);
        if ($reply->kind === ReplyKind::Proposal && $reply->starts !== null && $reply->ends !== null) {
            $this->seen->demandChangeByCalendar($head, $perspective);
            // Whoever proposed the time comes to it.
            $this->changes->carryOut(Actor::person($person), Cause::Screen, OperationKind::Change, [
                new ReplaceSeries($head->id, self::moved($series, $occurrence, RecurrenceId::parse($reply->starts), RecurrenceId::parse($reply->ends))), $answer(ParticipantAnswer::Accepted),
            ], [$head->id => $head->version]);
        } elseif ($reply->kind === ReplyKind::Answer && $reply->answer !== null) {
            $this->changes->carryOut(Actor::person($person), Cause::Letter, OperationKind::Answer, [$answer($reply->answer)]);
        }
    }

    private static function moved(Series $series, ?EventTime $occurrence, EventTime $start, EventTime $end): Series
    {
        $there = static fn (EventTime $time, EventTime $of): EventTime => $time->zone === null || $of->zone === null ? $time : $time->inZone($of->zone);
        try {
            [$moved] = SeriesMove::by($series, $occurrence, $occurrence === null ? SeriesTimes::All : SeriesTimes::One, static fn (EventTime $from, EventTime $to): array => [$there($start, $from), $there($end, $to)], '');
        } catch (InvalidTime|InvalidRule $problem) {
            throw ValidationException::withMessages(['take' => $problem->getMessage()]);
        }

        return $moved->each(static fn (Event $event): Event => $event->with(sequence: $event->sequence + 1));
    }
}

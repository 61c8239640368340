<?php

namespace App\Invitations;

use App\Access\CurrentViewer;
use App\Changes\Change;
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
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesMove;
use PinnedRota\Core\Events\SeriesTimes;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;

/** What whoever asked says to what came back by mail. */
#[OA\Schema(schema: 'ReplyDecision', required: ['take'], properties: [
    new OA\Property(property: 'take', description: 'Whether the event is moved to the proposed time, or the answer counted; else it is left as it is', type: 'boolean'),
])]
final class RepliesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly ChangeEvents $changes, private readonly Outbox $outbox)
    {
    }

    #[OA\Put(path: '/replies/{id}', operationId: 'decideReply', summary: 'Takes what came back by mail to an event that one asks others to, or leaves it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ReplyDecision')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function update(Request $request, int $id): Response
    {
        $take = (bool) $request->validate(['take' => ['required', 'boolean']])['take'];
        $person = $this->viewer->person();
        DB::transaction(function () use ($id, $take, $person): void {
            $reply = WaitingReplies::waitingFor($person->id)->lockForUpdate()->findOrFail($id);
            $head = $this->seen->full($reply->event_id, $this->viewer->perspective());
            if ($take) {
                $this->take($reply, $head, $person);
            } elseif ($reply->kind === ReplyKind::Proposal && $reply->invitation !== null) {
                $this->outbox->put(LetterKind::ProposalDeclined, [[
                    'slot' => null, 'address' => $reply->invitation->address, 'person_id' => $reply->invitation->person_id, 'invitation_id' => $reply->invitation_id, 'about' => ['occurrence' => $reply->occurrence],
                ]], now());
            }
            $reply->update(['handled_at' => now()]);
            Change::ofAccess([$person->id]);
        });

        return response()->noContent();
    }

    private function take(ReceivedReply $reply, EventRecord $head, Person $person): void
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
            $this->seen->demandChange($head, $this->viewer->perspective());
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

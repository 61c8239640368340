<?php

namespace App\Participants;

use App\Access\CurrentViewer;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AnswerOccurrence;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\OperationKind;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

#[OA\Schema(schema: 'AnswerInput', required: ['answer'], properties: [
    new OA\Property(property: 'answer', type: 'string', enum: ['accepted', 'declined', 'tentative']),
    new OA\Property(property: 'note', description: 'What is written with it; at most 500 characters', type: 'string', nullable: true),
    new OA\Property(property: 'occurrence', description: 'The time that is meant, of a series; null: all of it', type: 'string', nullable: true),
])]
final class AnswersController
{
    private const ANSWERS = ['accepted' => ParticipantAnswer::Accepted, 'declined' => ParticipantAnswer::Declined, 'tentative' => ParticipantAnswer::Tentative];

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Put(path: '/events/{id}/answer', operationId: 'answerEvent', summary: 'Says whether one takes part in an event that one is asked to; of a series, in all of it or at one time.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AnswerInput')),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function update(Request $request, int $id): Response
    {
        $person = $this->viewer->person();
        $input = $request->validate(['answer' => ['required', Rule::in(array_keys(self::ANSWERS))], 'note' => ['sometimes', 'nullable', 'string', 'max:500'], 'occurrence' => ['sometimes', 'nullable', 'string', 'max:20']]);
        $answer = self::ANSWERS[$input['answer']];
        $occurrence = (string) ($input['occurrence'] ?? '');
        $perspective = $this->viewer->perspective();
        $head = $occurrence === '' ? $this->seen->full($id, $perspective) : $this->seen->partly($id, $perspective);
        $series = $this->seen->load($head);
        $time = $occurrence === '' ? null : $this->seen->time($series, $occurrence);
        if ($time !== null) {
            $this->seen->demandFull($this->seen->visibility($head, $time->event, $perspective));
        }
        $as = array_filter(array_map(static fn (Event $event): ?Participant => AskedAs::of($event, $person, $perspective->viewer->groupIds), $time === null ? $series->events() : [$time->event]));
        $me = array_shift($as) ?? throw new AccessDeniedHttpException('You are not asked to take part in this event.');
        $note = trim((string) ($input['note'] ?? ''));
        $this->changes->carryOut(Actor::person($person), Cause::Screen, OperationKind::Answer, [
            $time?->recurrenceId === null ? new AnswerSeries($id, $me, $answer, $note) : new AnswerOccurrence($id, $time->recurrenceId, $me, $answer, $note),
        ]);

        return response()->noContent();
    }
}

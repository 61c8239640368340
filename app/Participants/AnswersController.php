<?php

namespace App\Participants;

use App\Access\CurrentViewer;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\OperationKind;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Party;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

#[OA\Schema(schema: 'AnswerInput', required: ['answer'], properties: [
    new OA\Property(property: 'answer', type: 'string', enum: ['accepted', 'declined', 'tentative']),
])]
final class AnswersController
{
    private const ANSWERS = ['accepted' => ParticipantAnswer::Accepted, 'declined' => ParticipantAnswer::Declined, 'tentative' => ParticipantAnswer::Tentative];

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Put(path: '/events/{id}/answer', operationId: 'answerEvent', summary: 'Says whether one takes part in an event that one is asked to; of a series, in all of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AnswerInput')),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function update(Request $request, int $id): Response
    {
        $person = $this->viewer->person();
        $answer = self::ANSWERS[$request->validate(['answer' => ['required', Rule::in(array_keys(self::ANSWERS))]])['answer']];
        $who = Party::person($person->id);
        $series = $this->seen->load($this->seen->full($id, $this->viewer->perspective()));
        if (array_filter($series->events(), static fn (Event $event): bool => $event->asks($who)) === []) {
            throw new AccessDeniedHttpException('You are not asked to take part in this event.');
        }
        $this->changes->carryOut(Actor::person($person), Cause::Screen, OperationKind::Answer, [new AnswerSeries($id, $who, $answer)]);

        return response()->noContent();
    }
}

<?php

namespace App\Events;

use App\Access\CurrentViewer;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Participants;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

final class AnswersController
{
    private const ANSWERS = ['accepted' => ParticipantAnswer::Accepted, 'declined' => ParticipantAnswer::Declined, 'tentative' => ParticipantAnswer::Tentative];

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenEvents $seen, private readonly SeriesWriter $writer)
    {
    }

    #[OA\Put(path: '/events/{id}/answer', operationId: 'answerEvent', summary: 'Says whether one takes part in an event that one is asked to; of a series, in all of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AnswerInput')),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function update(Request $request, int $id): Response
    {
        $person = $this->viewer->person();
        DB::transaction(function () use ($request, $id, $person): void {
            $head = $this->seen->full($id, locked: true);
            $series = $this->seen->load($head);
            if (array_filter($series->events(), static fn (CoreEvent $event): bool => $event->hasParticipant($person->email)) === []) {
                throw new AccessDeniedHttpException('You are not asked to take part in this event.');
            }
            $answer = self::ANSWERS[$request->validate(['answer' => ['required', Rule::in(array_keys(self::ANSWERS))]])['answer']];
            $with = static fn (CoreEvent $event): CoreEvent => $event->with(participants: Participants::answered($event->participants, $person->email, $answer));
            // Not a change of the event itself: whoever is writing at it goes on from the same version.
            $this->writer->replace($head, $series->each($with), ['version' => $head->version]);
        });

        return response()->noContent();
    }
}

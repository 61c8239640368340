<?php

namespace App\Invitations;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\Read\SeenSeries;
use App\Events\Write\SeriesStates;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Status;

/** Asks those once more who have not answered. */
final class AskAgainController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly SeriesStates $states, private readonly InviteAsked $invite)
    {
    }

    #[OA\Post(path: '/events/{id}/asked-again', operationId: 'askAgain', summary: 'Asks those by mail once more who have not answered, but for whom a letter went to within the hour.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(AskedAgainData::class, 'How many')])]
    public function store(int $id): JsonResponse
    {
        $perspective = $this->viewer->perspective();
        $head = $this->seen->full($id, $perspective);
        $this->seen->demandChangeByCalendar($head, $perspective);
        if (! AskWhen::asks($this->seen->load($head)->events()[0], $head->calendarAsks())) {
            throw ValidationException::withMessages(['event' => $head->status === Status::Provisional ? 'What is provisional asks nobody until it is confirmed.' : 'It is called off.']);
        }
        $state = $this->states->of($id);

        return new JsonResponse(new AskedAgainData($state === null ? 0 : DB::transaction(fn (): int => $this->invite->again($state, $this->viewer->person()->id))));
    }
}

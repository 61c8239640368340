<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Sources\RefreshState;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** What refreshes did, what waits for somebody’s word, and taking them back; for those who manage the calendar. */
#[OA\Schema(schema: 'HeldDecision', required: ['take'], properties: [
    new OA\Property(property: 'take', description: 'Whether it is taken in; else what is there stays, until the far side has something else', type: 'boolean'),
])]
final class RefreshesController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly ManagedSource $managed,
        private readonly Jobs $jobs,
        private readonly RefreshedEvents $events,
        private readonly TakeBack $takeBack,
        private readonly SourceRefresher $refresher,
    ) {
    }

    #[OA\Get(path: '/sources/{id}/refreshes/{refresh}', operationId: 'getRefresh', summary: 'What a refresh did with which events, or would do.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'refresh', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(RefreshedEventData::class, 'At most 300; what goes first', many: true)])]
    public function show(int $id, int $refresh): JsonResponse
    {
        return new JsonResponse($this->events->of($this->refreshOf($this->managed->find($id), $refresh)));
    }

    #[OA\Post(path: '/sources/{id}/refreshes/{refresh}/back', operationId: 'takeBackRefresh', summary: 'Goes back to before a refresh: it and all that came after it are taken back. What the far side has now is not taken in again until it is another.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'refresh', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function back(int $id, int $refresh): Response
    {
        $source = $this->managed->find($id);
        $this->takeBack->before($source, $this->refreshOf($source, $refresh), $this->viewer->person());

        return response()->noContent();
    }

    #[OA\Put(path: '/sources/{id}/refreshes/{refresh}', operationId: 'decideRefresh', summary: 'Says whether what was held back is meant: it is taken in, in the background, or what is there stays.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'refresh', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/HeldDecision')),
        responses: [new OA\Response(response: 204, description: 'What is there stays'), new Answers(JobData::class, 'It is being taken in', 202)])]
    public function decide(Request $request, int $id, int $refresh): JsonResponse|Response
    {
        $take = (bool) $request->validate(['take' => ['required', 'boolean']])['take'];
        $source = $this->managed->find($id);
        $held = $this->refreshOf($source, $refresh);
        if ($held->state !== RefreshState::Held) {
            throw new ConflictHttpException('This is decided already.');
        }
        if ($take) {
            return $this->jobs->start(JobKind::Refresh, $source->calendar->name, ['source' => $id, 'held' => $held->id], size: null, calendar: $source->calendar);
        }
        $source->update(['declined' => $held->digest]);
        $this->refresher->dropHeld($source);

        return response()->noContent();
    }

    private function refreshOf(Source $source, int $id): Refresh
    {
        return $source->refreshes()->findOrFail($id);
    }
}

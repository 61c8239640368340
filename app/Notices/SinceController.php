<?php

namespace App\Notices;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Api\WindowGet;
use App\Overlays\SheetRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** What changed since somebody looked. */
final class SinceController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[WindowGet(path: '/sheet/since', operationId: 'getSince', summary: 'What others added, moved, changed or cancelled in a window since one’s last visit, or since one has seen it all.',
        responses: [new Answers(SinceData::class, 'The changes')])]
    public function show(SheetRequest $request, ChangesOfSheet $changes): JsonResponse
    {
        $visit = Visit::of($this->viewer->person());
        $query = $request->sheetQuery($this->viewer);
        [$found, $more] = $changes->since($visit->since, $this->viewer->perspective($request->as()), $query, $this->viewer->person());

        return new JsonResponse(new SinceData($visit->since->toIso8601ZuluString(), array_map(static fn (SeenChange $each): SinceChangeData => SinceChangeData::of($each, $query->zone), $found), $more));
    }

    #[OA\Put(path: '/visit', operationId: 'seenAll', summary: 'Says that one has seen what changed: from now on it is told anew.', tags: ['overlays'],
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function seen(): Response
    {
        Visit::of($this->viewer->person())->update(['since' => now(), 'last_at' => now()]);

        return response()->noContent();
    }
}

<?php

namespace App\Changes;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class ChangesController
{
    #[OA\Get(path: '/changes', operationId: 'getChanges', summary: 'A mark that is another as soon as anything one may see has changed.', tags: ['changes'],
        responses: [
            new Answers(ChangeMarkData::class, 'The mark'),
            new OA\Response(response: 304, description: 'As before (If-None-Match)'),
        ])]
    public function show(Request $request, CurrentViewer $viewer): JsonResponse
    {
        $latest = Change::query()
            ->whereNull('calendar_id')->orWhereIn('calendar_id', $viewer->calendars()->keys())
            ->max('id');
        // Hashed for this person, so that the pace of what others do cannot be read from it.
        $mark = substr(hash_hmac('sha256', "{$viewer->person()->id}:{$latest}", (string) config('app.key')), 0, 24);
        $response = (new JsonResponse(new ChangeMarkData($mark)))->setEtag($mark);
        $response->isNotModified($request);

        return $response;
    }
}

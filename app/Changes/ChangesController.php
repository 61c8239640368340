<?php

namespace App\Changes;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class ChangesController
{
    #[OA\Get(path: '/changes', operationId: 'getChanges', summary: 'Marks that are others as soon as anything one may see has changed. Whatever is changed is answered with them, too (Changes: events access).', tags: ['changes'],
        responses: [
            new Answers(ChangeMarksData::class, 'The marks'),
            new OA\Response(response: 304, description: 'As before (If-None-Match)'),
        ])]
    public function show(Request $request, CurrentViewer $viewer, ChangeMarks $marks): JsonResponse
    {
        $now = $marks->of($viewer->person());
        $response = (new JsonResponse($now))->setEtag("{$now->events}{$now->access}");
        $response->isNotModified($request);

        return $response;
    }
}

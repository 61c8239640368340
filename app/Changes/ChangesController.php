<?php

namespace App\Changes;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class ChangesController
{
    #[OA\Get(path: '/changes', operationId: 'getChanges', summary: 'What has changed of what one may see since one asked last. Whatever is changed is answered with its own marks (Changes: mark mark …).', tags: ['changes'],
        parameters: [new OA\QueryParameter(name: 'since', description: 'The position that was told the last time', schema: new OA\Schema(type: 'string', maxLength: 500))],
        responses: [new Answers(ChangesData::class, 'The changes')])]
    public function show(Request $request, CurrentViewer $viewer, ChangesSince $changes): JsonResponse
    {
        $since = $request->validate(['since' => ['sometimes', 'nullable', 'string', 'max:500']])['since'] ?? null;

        return new JsonResponse($changes->of($viewer->person(), $since));
    }
}

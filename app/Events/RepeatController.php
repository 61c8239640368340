<?php

namespace App\Events;

use App\Http\Rules\WallTime;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class RepeatController
{
    #[OA\Get(path: '/repeat', operationId: 'tellRepeat', summary: 'A repeat in words, with the next days that it falls on.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'rule', required: true, description: 'RRULE without its end', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'start', required: true, schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'until', required: false, description: 'The last day, inclusive', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'count', required: false, schema: new OA\Schema(type: 'integer')),
        ],
        responses: [new OA\Response(response: 200, description: 'Words and days', content: new OA\JsonContent(ref: '#/components/schemas/RepeatTold'))])]
    public function show(Request $request): JsonResponse
    {
        $input = $request->validate([
            'rule' => ['required', 'string', 'max:500'], 'start' => ['required', 'string', new WallTime],
            'until' => ['sometimes', 'nullable', 'string', new WallTime], 'count' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:999', 'prohibits:until'],
        ]);

        return new JsonResponse(RepeatJson::tell($input['rule'], $input['start'], $input['until'] ?? null, isset($input['count']) ? (int) $input['count'] : null));
    }
}

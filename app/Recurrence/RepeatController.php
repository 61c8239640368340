<?php

namespace App\Recurrence;

use App\Api\Answers;
use App\Http\Rules\WallTime;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class RepeatController
{
    #[OA\Get(path: '/repeat', operationId: 'tellRepeat', summary: 'A repeat in words, with the next days that it falls on.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'rule', required: false, description: 'RRULE without its end; none where only the extra dates repeat it', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'start', required: true, schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'until', required: false, description: 'The last day, inclusive', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'count', required: false, schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'skipped[]', required: false, description: 'Dates that are left out', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
            new OA\QueryParameter(name: 'extra[]', required: false, description: 'Dates that are added', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
        ],
        responses: [new Answers(RepeatToldData::class, 'Words and days')])]
    public function show(Request $request): JsonResponse
    {
        $input = $request->validate([
            'rule' => ['required_without:extra', 'nullable', 'string', 'max:500'], 'start' => ['required', 'string', new WallTime],
            'until' => ['sometimes', 'nullable', 'string', new WallTime], 'count' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:999', 'prohibits:until'],
            'skipped' => ['sometimes', 'array', 'max:1000'], 'skipped.*' => ['string', new WallTime],
            'extra' => ['sometimes', 'array', 'max:1000'], 'extra.*' => ['string', new WallTime],
        ]);

        return new JsonResponse(RepeatToldData::of($input, $input['start']));
    }
}

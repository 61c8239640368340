<?php

namespace App\Recurrence;

use App\Api\Answers;
use App\Http\Rules\WallTime;
use App\Organisation\SchoolDays;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\SchoolYear\TermWeeks;

final class RepeatController
{
    #[OA\Get(path: '/repeat', operationId: 'tellRepeat', summary: 'A repeat in words, with the next days that it falls on.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'rule', required: false, description: 'RRULE without its end; none where it is picked, or where only the extra dates repeat it', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'unit', required: false, description: 'Of a repeat that is picked', schema: new OA\Schema(type: 'string', enum: RepeatInput::UNITS)),
            new OA\QueryParameter(name: 'interval', required: false, schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'weekdays[]', required: false, schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string', enum: RepeatInput::WEEKDAYS))),
            new OA\QueryParameter(name: 'monthBy', required: false, schema: new OA\Schema(type: 'string', enum: RepeatInput::MONTH_BYS)),
            new OA\QueryParameter(name: 'start', required: true, schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'until', required: false, description: 'The last day, inclusive', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'count', required: false, schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'within', required: false, description: 'The weeks of school to which it is kept', schema: new OA\Schema(type: 'string', enum: TermWeeks::class)),
            new OA\QueryParameter(name: 'skipped[]', required: false, description: 'Dates that are left out', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
            new OA\QueryParameter(name: 'extra[]', required: false, description: 'Dates that are added', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
        ],
        responses: [new Answers(RepeatToldData::class, 'Words and days')])]
    public function show(Request $request, SchoolDays $school): JsonResponse
    {
        // What is picked is told in words of its own in an address, and is one thing everywhere else.
        $request->mergeIfMissing($request->has('unit') ? ['pick' => $request->only(['unit', 'interval', 'weekdays', 'monthBy'])] : []);
        $input = $request->validate(RepeatInput::pickRules('pick') + [
            'rule' => ['required_without_all:extra,pick', 'nullable', 'string', 'max:500'], 'start' => ['required', 'string', new WallTime],
            'until' => ['sometimes', 'nullable', 'string', new WallTime], 'count' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:999', 'prohibits:until'],
            'within' => ['sometimes', 'nullable', Rule::enum(TermWeeks::class)],
            'skipped' => ['sometimes', 'array', 'max:1000'], 'skipped.*' => ['string', new WallTime],
            'extra' => ['sometimes', 'array', 'max:1000'], 'extra.*' => ['string', new WallTime],
        ]);

        return new JsonResponse(RepeatToldData::of($input, $input['start'], $school));
    }
}

<?php

namespace App\OneLine;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Http\Rules\ZoneName;
use App\Organisation\Organisation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

final class LineController
{
    #[OA\Get(path: '/line', operationId: 'readLine', summary: 'What one line means as an event, piece by piece; nothing is added by it.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'line', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'tz', required: true, description: 'Zone in which times are told', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'plain[]', required: false, description: 'Pieces that are to be left in the title', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
        ],
        responses: [new Answers(UnderstoodLineData::class, 'What was understood')])]
    public function show(Request $request, CurrentViewer $viewer, LineVocabulary $vocabulary, LikelyCalendar $likely, Organisation $organisation): JsonResponse
    {
        $input = $request->validate([
            'line' => ['required', 'string', 'max:500'], 'tz' => ['required', 'string', new ZoneName],
            'plain' => ['sometimes', 'array', 'max:40'], 'plain.*' => ['string', 'max:200'],
        ]);
        $words = $vocabulary->of($viewer);
        $now = new LocalDateTime(Zone::of($input['tz'])->toLocal(now()->getTimestamp()));
        $is = OneLineReader::read($input['line'], $words, $now, $organisation->settings()->habits, plain: array_values($input['plain'] ?? []));

        return new JsonResponse(UnderstoodLineData::of($is, $words, $is->calendar ?? $likely->for($viewer, $is->title, $is->categories)));
    }
}

<?php

namespace App\OneLine;

use App\Api\Answers;
use App\Http\Rules\ZoneName;
use App\Organisation\Organisation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\ClockWords;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What somebody types into a field for a date or an hour, in the order and the hours of the organisation. */
final class WhenController
{
    /** A midnight that ends a day is in no field the same day: it is that of the next. */
    private const MINUTES_OF_A_DAY = 1440;

    #[OA\Get(path: '/when', operationId: 'readWhen', summary: 'What a date or an hour means that is typed into a field: “wed”, “14 mar”, “2/11”; “9.30”, “2pm”, “noon”.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'words', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'kind', required: true, schema: new OA\Schema(type: 'string', enum: ['date', 'time'])),
            new OA\QueryParameter(name: 'tz', required: true, description: 'Zone in which it is today', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new Answers(WhenData::class, 'The date or the hour')])]
    public function show(Request $request, Organisation $organisation): JsonResponse
    {
        $input = $request->validate(['words' => ['required', 'string', 'max:80'], 'kind' => ['required', Rule::in(['date', 'time'])], 'tz' => ['required', 'string', new ZoneName]]);
        $habits = $organisation->settings()->habits;
        $today = new LocalDateTime(Zone::of($input['tz'])->toLocal(now()->getTimestamp()));
        if ($input['kind'] === 'date') {
            $date = $organisation->settings()->dayOf($input['words'], $today);
            $instead = $date === null ? DateWords::withinMonth($input['words'], $today, $habits->dayFirst) : null;

            return new JsonResponse(new WhenData($date?->toDate(), $instead));
        }
        $minutes = $habits->startOf($input['words']) ?? ClockWords::read($input['words']);

        return new JsonResponse(new WhenData($minutes === null ? null : sprintf('%02d:%02d', intdiv($minutes % self::MINUTES_OF_A_DAY, 60), $minutes % 60), null));
    }
}

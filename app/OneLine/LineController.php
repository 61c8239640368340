<?php

namespace App\OneLine;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Http\Rules\ZoneName;
use App\Organisation\Organisation;
use App\Overlays\LayersInView;
use App\Overlays\LayersOfSheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\MessageText;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\SpanReading;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

#[OA\Schema(schema: 'MessageInput', required: ['text', 'tz'], properties: [
    new OA\Property(property: 'text', type: 'string', maxLength: 20000),
    new OA\Property(property: 'tz', description: 'Zone in which times are told', type: 'string'),
])]
final class LineController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly LineVocabulary $vocabulary, private readonly Organisation $organisation)
    {
    }

    #[OA\Get(path: '/line', operationId: 'readLine', summary: 'What one line means as an event, piece by piece, and what of it is not understood; nothing is added by it.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'line', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'tz', required: true, description: 'Zone in which times are told', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'plain[]', required: false, description: 'Pieces that are to be left in the title', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
            new OA\QueryParameter(name: 'span', required: false, description: 'What several days with one hour mean: one time on each, or a single one from the first to the last', schema: new OA\Schema(type: 'string', enum: SpanReading::class)),
            new OA\QueryParameter(name: 'overlay', required: false, description: 'Through what the writer looks', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'through', required: false, description: 'The calendar alone that the writer looks at', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'hidden[]', required: false, description: 'Layers that are not shown, by their place in the key, from 0', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'))),
        ],
        responses: [new Answers(UnderstoodLineData::class, 'What was understood')])]
    public function show(Request $request, LikelyCalendar $likely, LayersOfSheet $layers): JsonResponse
    {
        $input = $request->validate([
            'line' => ['required', 'string', 'max:500'], 'tz' => ['required', 'string', new ZoneName],
            'plain' => ['sometimes', 'array', 'max:40'], 'plain.*' => ['string', 'max:200'],
            'span' => ['sometimes', Rule::enum(SpanReading::class)],
        ] + LayersInView::rules());
        $words = $this->vocabulary->of($this->viewer);
        $is = OneLineReader::read(
            $input['line'], $words, $this->now($input['tz']), $this->organisation->settings()->habits, plain: array_values($input['plain'] ?? []), span: SpanReading::from($input['span'] ?? SpanReading::EachDay->value),
        );
        $showing = LayersInView::of($this->viewer, $layers, $input)->showing(LineFacts::of($is, $this->viewer->person()->id));

        return new JsonResponse(UnderstoodLineData::of($is, $words, $is->calendar ?? $likely->for($this->viewer, $is, $words, $showing), $showing));
    }

    #[OA\Post(path: '/line/message', operationId: 'readMessage', summary: 'A message that somebody was sent, made one line: what, when, where and with whom.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/MessageInput')),
        responses: [new Answers(MessageLineData::class, 'The line')])]
    public function message(Request $request): JsonResponse
    {
        $input = $request->validate(['text' => ['required', 'string', 'max:20000'], 'tz' => ['required', 'string', new ZoneName]]);

        return new JsonResponse(new MessageLineData(MessageText::line($input['text'], $this->vocabulary->of($this->viewer), $this->now($input['tz']), $this->organisation->settings()->habits)));
    }

    private function now(string $zone): LocalDateTime
    {
        return new LocalDateTime(Zone::of($zone)->toLocal(now()->getTimestamp()));
    }
}

<?php

namespace App\Events;

use App\Access\CurrentViewer;
use App\Http\Rules\ZoneName;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\LineReader;
use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Time\EventTime;
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
        responses: [new OA\Response(response: 200, description: 'What was understood', content: new OA\JsonContent(ref: '#/components/schemas/UnderstoodLine'))])]
    public function show(Request $request, CurrentViewer $viewer, LineVocabulary $vocabulary, LikelyCalendar $likely): JsonResponse
    {
        $input = $request->validate([
            'line' => ['required', 'string', 'max:500'], 'tz' => ['required', 'string', new ZoneName],
            'plain' => ['sometimes', 'array', 'max:40'], 'plain.*' => ['string', 'max:200'],
        ]);
        $words = $vocabulary->of($viewer);
        $now = new LocalDateTime(Zone::of($input['tz'])->toLocal(now()->getTimestamp()));
        $is = LineReader::read($input['line'], $words, $now, plain: array_values($input['plain'] ?? []));

        return new JsonResponse([
            'title' => $is->title,
            'start' => $is->allDay ? $is->start?->toDate() : $is->start?->toMinute(),
            'end' => $is->allDay ? $is->end?->toDate() : $is->end?->toMinute(),
            'allDay' => $is->allDay,
            'place' => $is->place,
            'categories' => $is->categories,
            'participants' => $this->participants($is, $words),
            'calendar' => $is->calendar ?? $likely->for($viewer, $is->title, $is->categories),
            'status' => $is->provisional ? 'provisional' : 'confirmed',
            'private' => $is->private,
            'repeat' => $this->repeat($is),
            'pieces' => array_map(static fn (Piece $piece): array => ['kind' => $piece->kind->value, 'at' => $piece->at, 'text' => $piece->text], $is->pieces),
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function participants(Understood $is, Vocabulary $words): array
    {
        $tell = static fn (string $kind, string $part, array $names): callable => static fn (int $id): array => ['id' => $id, 'kind' => $kind, 'name' => $names[$id], 'part' => $part, 'answer' => 'unanswered'];

        return [
            ...array_map($tell('person', 'responsible', $words->people), $is->responsible),
            ...array_map($tell('person', 'required', $words->people), array_values(array_diff($is->people, $is->responsible))),
            ...array_map($tell('group', 'required', $words->groups), $is->groups),
        ];
    }

    /** @return ?array<string, mixed> */
    private function repeat(Understood $is): ?array
    {
        if ($is->rule === null || $is->start === null) {
            return null;
        }
        $start = $is->allDay ? EventTime::date($is->start) : EventTime::floating($is->start);
        $rule = (new RuleParser)->parse($is->rule)->endingBy($is->count, null);

        return [
            'words' => RuleWords::of($is->until === null ? $rule : $rule->endingOn($is->until, $start), $start),
            'rule' => $is->rule, 'until' => $is->until?->toDate(), 'count' => $is->count,
        ];
    }
}

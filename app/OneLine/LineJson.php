<?php

namespace App\OneLine;

use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Time\EventTime;

/** What was understood of a line, as the API tells it. */
final class LineJson
{
    /** @return array<string, mixed> */
    public static function tell(Understood $is, Vocabulary $words): array
    {
        return [
            'title' => $is->title,
            'start' => $is->allDay ? $is->start?->toDate() : $is->start?->toMinute(),
            'end' => $is->allDay ? $is->end?->toDate() : $is->end?->toMinute(),
            'allDay' => $is->allDay,
            'place' => $is->place,
            'categories' => $is->categories,
            'participants' => self::participants($is, $words),
            'status' => $is->provisional ? 'provisional' : 'confirmed',
            'private' => $is->private,
            'repeat' => self::repeat($is),
            'pieces' => array_map(static fn (Piece $piece): array => ['kind' => $piece->kind->value, 'at' => $piece->at, 'text' => $piece->text], $is->pieces),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function participants(Understood $is, Vocabulary $words): array
    {
        $tell = static fn (string $kind, string $part, array $names): callable => static fn (int $id): array => ['id' => $id, 'kind' => $kind, 'name' => $names[$id], 'part' => $part, 'answer' => 'unanswered'];

        return [
            ...array_map($tell('person', 'responsible', $words->people), $is->responsible),
            ...array_map($tell('person', 'required', $words->people), array_values(array_diff($is->people, $is->responsible))),
            ...array_map($tell('group', 'required', $words->groups), $is->groups),
            ...array_map($tell('room', 'required', $words->rooms), $is->rooms),
        ];
    }

    /** @return ?array<string, mixed> */
    private static function repeat(Understood $is): ?array
    {
        if ($is->rule === null || $is->start === null) {
            return null;
        }
        $start = $is->allDay ? EventTime::date($is->start) : EventTime::floating($is->start);

        return [
            'words' => RuleWords::of((new RuleParser)->parse($is->rule)->ending($is->count, $is->until, $start), $start),
            'rule' => $is->rule, 'until' => $is->until?->toDate(), 'count' => $is->count,
        ];
    }
}

<?php

namespace App\Recurrence;

use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\EventTime;

/** The repeat that was understood of a line. */
final readonly class UnderstoodRepeatData
{
    public function __construct(
        public string $words,
        public string $rule,
        public ?string $until,
        public ?int $count,
        public ?TermWeeks $within,
        public ?RepeatPickData $pick,
    ) {
    }

    public static function of(Understood $is): ?self
    {
        if ($is->rule === null || $is->start === null) {
            return null;
        }
        $start = $is->allDay ? EventTime::date($is->start) : EventTime::floating($is->start);

        $rule = (new RuleParser)->parse($is->rule);

        return new self(RuleWords::of($rule->ending($is->count, $is->until, $start), $start).($is->within === null ? '' : ", {$is->within->words()}"), $is->rule, $is->until?->toDate(), $is->count, $is->within, RepeatPickData::of($rule, $start->local));
    }
}

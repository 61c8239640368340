<?php

namespace App\Recurrence;

use PinnedRota\Core\SchoolYear\TermWeeks;

/** How an event repeats. */
final readonly class RepeatData
{
    /**
     * @param  ?string  $rule  RRULE without its end; null where there are several or none
     * @param  bool  $several  Whether it repeats by several rules, which are kept as they are
     * @param  ?string  $until  The last day, inclusive
     * @param  ?TermWeeks  $within  The weeks of school to which it is kept
     * @param  list<string>  $skipped
     * @param  list<string>  $extra
     * @param  ?RepeatPickData  $pick  As it is picked in a form; null where it has more than there is to pick
     * @param  ScopeWordsData  $changing  What becomes of other times when this is changed
     * @param  ScopeWordsData  $deleting  What becomes of other times when this is deleted
     * @param  list<ChangedTimeData>  $changed  Times that were changed on their own
     */
    public function __construct(
        public string $words,
        public ?string $rule,
        public bool $several,
        public ?string $until,
        public ?int $count,
        public ?TermWeeks $within,
        public array $skipped,
        public array $extra,
        public array $changed,
        public ?RepeatPickData $pick,
        public ScopeWordsData $changing,
        public ScopeWordsData $deleting,
    ) {
    }
}

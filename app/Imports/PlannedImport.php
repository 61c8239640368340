<?php

namespace App\Imports;

use App\Calendars\Calendar;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Import\Plan;

/** What bringing something in would do. */
final readonly class PlannedImport
{
    /**
     * @param  array<int, Plan>  $plans  by the id of the calendar that each is of
     * @param  array<int, Calendar>  $calendars  likewise
     * @param  ?ReadDocument  $document  null of a calendar file
     * @param  list<GoneEvent>  $gone  what came in by it before, and is not in it any more
     * @param  array<int, array<string, PlannedRow>>  $rows  of a document all of it, by calendar and UID; a calendar file is gone through instead
     */
    public function __construct(
        public array $plans,
        public array $calendars,
        public ?ReadDocument $document,
        public Diagnostics $diagnostics,
        public array $gone,
        public array $rows,
    ) {
    }

    /** @return array{added: int, changed: int, unchanged: int, removed: int} */
    public function counts(): array
    {
        $counts = ['added' => 0, 'changed' => 0, 'unchanged' => 0, 'removed' => 0];
        foreach ($this->plans as $plan) {
            foreach ($plan->counts() as $what => $count) {
                $counts[$what] += $count;
            }
        }

        return $counts;
    }

    /** Whether there is nothing in it. */
    public function isEmpty(): bool
    {
        foreach ($this->plans as $plan) {
            if (! $plan->isEmpty()) {
                return false;
            }
        }

        return $this->document === null || $this->document->rows === [];
    }
}

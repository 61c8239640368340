<?php

namespace App\Imports;

use App\Calendars\Calendar;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\ReadTable;
use PinnedRota\Core\Documents\SkippedRow;
use PinnedRota\Core\Events\Event;

/** A document that was read, with what was put right of it. */
final readonly class ReadDocument
{
    /**
     * @param  list<ExtractedEvent>  $rows
     * @param  array<int, Event>  $events  that the rows are, by row
     * @param  array<int, Calendar>  $calendars  on which each is to go, by row
     * @param  array<int, true>  $leftOut  rows that are not brought in
     * @param  list<SkippedRow>  $skipped
     * @param  array<int, ReadTable>  $tables  by their number in the document
     */
    public function __construct(
        public DateOrder $order,
        public array $rows,
        public array $events,
        public array $calendars,
        public array $leftOut,
        public array $skipped,
        public array $tables,
    ) {
    }

    /** @return array<int, array<int, Event>> those that are brought in, by row, by the id of the calendar on which they go */
    public function wanted(): array
    {
        $wanted = [];
        foreach (array_diff_key($this->events, $this->leftOut) as $row => $event) {
            $wanted[$this->calendars[$row]->id][$row] = $event;
        }

        return $wanted;
    }
}

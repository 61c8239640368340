<?php

namespace App\Imports;

use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\SkippedRow;
use PinnedRota\Core\Events\Event;

/** A document that was read, with what was put right of it. */
final readonly class ReadDocument
{
    /**
     * @param  list<ExtractedEvent>  $rows
     * @param  array<int, Event>  $events  that the rows are, by row
     * @param  array<int, true>  $leftOut  rows that are not brought in
     * @param  list<SkippedRow>  $skipped
     */
    public function __construct(public DateOrder $order, public array $rows, public array $events, public array $leftOut, public array $skipped)
    {
    }

    /** @return array<int, Event> those that are brought in, by row */
    public function wanted(): array
    {
        return array_diff_key($this->events, $this->leftOut);
    }
}

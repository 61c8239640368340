<?php

namespace App\History;

use App\Events\Write\Cause;
use App\Events\Write\OperationKind;

/** What was done with an event. */
final readonly class HistoryEntryData
{
    /**
     * @param  list<FieldChangeData>  $changes
     * @param  bool  $restorable  Whether the event can be put back as it was before
     */
    public function __construct(
        public int $operation,
        public OperationKind $kind,
        public Cause $cause,
        public string $by,
        public string $at,
        public bool $undone,
        public array $changes,
        public bool $restorable,
    ) {
    }
}

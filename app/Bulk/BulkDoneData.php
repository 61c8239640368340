<?php

namespace App\Bulk;

/** What was done with many events. */
final readonly class BulkDoneData
{
    public function __construct(
        public int $operation,
        public int $events,
    ) {
    }
}

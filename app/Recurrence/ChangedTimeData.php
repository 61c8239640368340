<?php

namespace App\Recurrence;

/** A time of a series that was changed on its own. */
final readonly class ChangedTimeData
{
    /**
     * @param  string  $start  When it is now
     */
    public function __construct(
        public string $occurrence,
        public string $start,
    ) {
    }
}

<?php

namespace App\Find;

/** An event that was found. */
final readonly class FoundEventData
{
    /**
     * @param  string  $date  Of its next time, or its last
     */
    public function __construct(
        public int $id,
        public ?string $occurrence,
        public string $title,
        public string $place,
        public string $calendar,
        public string $date,
    ) {
    }
}

<?php

namespace App\Find;

/** What was found. */
final readonly class FoundData
{
    /**
     * @param  ?string  $date  The day that the words mean
     * @param  list<FoundEventData>  $events
     */
    public function __construct(
        public ?string $date,
        public array $events,
    ) {
    }
}

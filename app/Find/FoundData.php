<?php

namespace App\Find;

use App\Directory\DirectoryEntryData;

/** What was found. */
final readonly class FoundData
{
    /**
     * @param  ?string  $date  The day that the words mean
     * @param  list<FoundEventData>  $events
     * @param  list<DirectoryEntryData>  $parties  People, groups and rooms of that name
     */
    public function __construct(
        public ?string $date,
        public array $events,
        public array $parties,
    ) {
    }
}

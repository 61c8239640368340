<?php

namespace App\Jobs;

/** What came of a job. */
final readonly class JobOutcome
{
    /** Where in the storage files lie that jobs have made or fetched: as long as the job is known. */
    public const FILES = 'files';

    /**
     * @param  ?int  $operation  by which it is undone
     * @param  ?int  $events  how many events it changed
     * @param  ?array{added: int, changed: int, unchanged: int, removed?: int}  $counts
     * @param  ?string  $calendar  the calendar that it made, as addresses name it
     * @param  ?string  $file  in the storage, to be downloaded
     * @param  ?array<string, mixed>  $found  what is at an address, see AddressFoundData
     */
    public function __construct(
        public ?int $operation = null,
        public ?int $events = null,
        public ?array $counts = null,
        public ?string $calendar = null,
        public ?string $file = null,
        public ?array $found = null,
    ) {
    }
}

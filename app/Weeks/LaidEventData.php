<?php

namespace App\Weeks;

/** An event of a week, and the days on which it would be laid. */
final readonly class LaidEventData
{
    /**
     * @param  list<string>  $days
     * @param  list<string>  $closed  Days that are left out
     * @param  ?string  $why  Why nothing of it is laid
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $start,
        public array $days,
        public array $closed,
        public ?string $why,
    ) {
    }
}

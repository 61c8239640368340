<?php

namespace App\Events;

/** The event of which another is a copy. */
final readonly class OriginalData
{
    public function __construct(
        public int $id,
        public string $title,
    ) {
    }
}

<?php

namespace App\Events;

/** An event that somebody else changed first. */
final readonly class OutdatedEventData
{
    public function __construct(
        public int $id,
        public string $title,
        public int $version,
    ) {
    }
}

<?php

namespace App\Directory;

/** A feed link that a person has made. */
final readonly class KeptFeedData
{
    public function __construct(
        public int $id,
        public string $name,
        public string $ofName,
    ) {
    }
}

<?php

namespace App\Directory;

/** A calendar or an overlay that a person keeps. */
final readonly class KeptThingData
{
    public function __construct(
        public string $slug,
        public string $name,
    ) {
    }
}

<?php

namespace App\Directory;

/** A person by name alone. */
final readonly class NamedPersonData
{
    public function __construct(
        public int $id,
        public string $name,
    ) {
    }
}

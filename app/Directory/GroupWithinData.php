<?php

namespace App\Directory;

/** A group in a group. */
final readonly class GroupWithinData
{
    public function __construct(
        public int $id,
        public string $name,
    ) {
    }
}

<?php

namespace App\Directory;

/** A person in a group. */
final readonly class GroupPersonData
{
    public function __construct(
        public int $id,
        public string $name,
        public string $post,
    ) {
    }
}

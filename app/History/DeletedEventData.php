<?php

namespace App\History;

/** An event that was deleted and can be restored. */
final readonly class DeletedEventData
{
    public function __construct(
        public int $id,
        public string $title,
        public string $start,
        public bool $repeats,
        public ?string $at,
        public ?string $by,
    ) {
    }
}

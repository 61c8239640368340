<?php

namespace App\Imports;

/** What was done with the events of a file. */
final readonly class ImportCountsData
{
    public function __construct(
        public int $added,
        public int $changed,
        public int $unchanged,
        public int $removed,
    ) {
    }

    /** @param  array{added: int, changed: int, unchanged: int, removed?: int}  $counts */
    public static function of(array $counts): self
    {
        return new self($counts['added'], $counts['changed'], $counts['unchanged'], $counts['removed'] ?? 0);
    }
}

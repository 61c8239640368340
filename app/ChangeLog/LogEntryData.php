<?php

namespace App\ChangeLog;

/** A change of access or settings, in words. */
final readonly class LogEntryData
{
    public function __construct(
        public int $id,
        public string $at,
        public string $by,
        public string $words,
        public bool $revertable,
    ) {
    }
}

<?php

namespace App\Imports;

use PinnedRota\Core\ICalendar\Outcome;

/** What is wrong with a line of a file. */
final readonly class ImportProblemData
{
    public function __construct(
        public int $line,
        public string $property,
        public string $problem,
        public Outcome $outcome,
    ) {
    }
}

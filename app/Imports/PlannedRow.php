<?php

namespace App\Imports;

use PinnedRota\Core\Import\Verdict;

/** What bringing in a row of a document would do. */
final readonly class PlannedRow
{
    public function __construct(public Verdict $verdict, public string $fingerprint)
    {
    }
}

<?php

namespace App\Sources;

use PinnedRota\Core\Import\KnownSeries;

/** What a calendar has that there is not yet. */
final class NothingKnown implements KnownSeries
{
    public function fingerprints(array $uids): array
    {
        return [];
    }

    public function uids(): iterable
    {
        return [];
    }
}

<?php

namespace Tests\Support;

use PinnedRota\Core\Import\KnownSeries;

/** What a calendar has already, said by a test. */
final readonly class Known implements KnownSeries
{
    /** @param  array<string, string>  $fingerprints  by UID */
    public function __construct(private array $fingerprints = [])
    {
    }

    public function fingerprints(array $uids): array
    {
        return array_intersect_key($this->fingerprints, array_flip($uids));
    }

    public function uids(): iterable
    {
        return array_map(strval(...), array_keys($this->fingerprints));
    }
}

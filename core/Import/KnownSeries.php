<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

/** What a calendar has already. */
interface KnownSeries
{
    /**
     * @param  list<string>  $uids
     * @return array<string, string> of those that are there, by UID: the fingerprint of what came in last; empty for what was written here
     */
    public function fingerprints(array $uids): array;

    /** @return iterable<string> the UIDs of all of it */
    public function uids(): iterable;
}

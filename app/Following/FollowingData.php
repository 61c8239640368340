<?php

namespace App\Following;

/** All that one follows, and the digests of it. */
final readonly class FollowingData
{
    /**
     * @param  list<FollowData>  $follows  What one takes part in first
     * @param  list<DigestData>  $digests  The daily one, and the weekly one
     */
    public function __construct(public array $follows, public array $digests)
    {
    }
}

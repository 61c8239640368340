<?php

namespace App\Invitations;

/** What came of asking again. */
final readonly class AskedAgainData
{
    /** @param  int  $asked  How many are asked again */
    public function __construct(public int $asked)
    {
    }
}

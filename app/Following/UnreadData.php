<?php

namespace App\Following;

/** How much one has not read of what one is told. */
final readonly class UnreadData
{
    public function __construct(public int $unread)
    {
    }
}

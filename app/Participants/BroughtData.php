<?php

namespace App\Participants;

/** How many somebody brought to an event. */
final readonly class BroughtData
{
    public function __construct(public int $asked)
    {
    }
}

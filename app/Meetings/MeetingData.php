<?php

namespace App\Meetings;

/** A link of a meeting that was made and belongs to no event yet. */
final readonly class MeetingData
{
    public function __construct(public string $url)
    {
    }
}

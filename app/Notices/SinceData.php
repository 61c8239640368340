<?php

namespace App\Notices;

/** What others did since somebody looked with what they see in a window. */
final readonly class SinceData
{
    /**
     * @param  string  $since  UTC, RFC 3339
     * @param  list<SinceChangeData>  $changes  By when they are, or were
     * @param  bool  $more  Whether there are more than can be told: those that changed last are told
     */
    public function __construct(public string $since, public array $changes, public bool $more)
    {
    }
}

<?php

namespace App\Publishing;

use PinnedRota\Core\Publishing\Audience;

/** Where an event is read by whoever has no account. */
final readonly class EventPageData
{
    /** @param  string  $name  of what it is published with */
    public function __construct(public string $name, public string $address, public Audience $audience)
    {
    }
}

<?php

namespace App\Sources;

/** A calendar that has an address already. */
final readonly class SubscribedAlreadyData
{
    /** @param  string  $by  Who keeps it */
    public function __construct(public string $slug, public string $name, public string $by)
    {
    }
}

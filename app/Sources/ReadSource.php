<?php

namespace App\Sources;

use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Import\Plan;

/** What an address answered with, read. */
final readonly class ReadSource
{
    /**
     * @param  string  $name  as it calls itself; empty where it does not
     * @param  ?int  $ownMinutes  after how long it wants to be asked again
     */
    public function __construct(public DocumentKind $kind, public Plan $plan, public string $name, public ?int $ownMinutes)
    {
    }
}

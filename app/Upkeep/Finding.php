<?php

namespace App\Upkeep;

/** Something that is wrong with an installation, and what to do about it. */
final readonly class Finding
{
    public function __construct(public string $what, public string $remedy)
    {
    }
}

<?php

namespace App\Directory;

/** A link by which somebody sets a password: whoever has it comes in as them. */
final readonly class PersonLinkData
{
    public function __construct(public string $url)
    {
    }
}

<?php

namespace App\Directory;

/** Whether a link from a letter still holds. */
final readonly class PasswordLinkData
{
    public function __construct(public bool $holds)
    {
    }
}

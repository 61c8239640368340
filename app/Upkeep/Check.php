<?php

namespace App\Upkeep;

/** Looks at one side of an installation; it changes nothing. */
interface Check
{
    /** @return iterable<Finding> what is wrong */
    public function findings(): iterable;
}

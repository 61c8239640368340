<?php

namespace App\Organisation;

/** Days within a term on which there is no school. */
final readonly class HalfTermData
{
    /** @param  string  $to  The last day, inclusive */
    public function __construct(public string $name, public string $from, public string $to)
    {
    }
}

<?php

namespace App\Sources;

/** What a category of a source is called here. */
final readonly class RenamedCategoryData
{
    /** @param  string  $to  Empty: it is left out */
    public function __construct(public string $from, public string $to)
    {
    }
}

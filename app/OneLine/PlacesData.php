<?php

namespace App\OneLine;

/** Where events are. */
final readonly class PlacesData
{
    /** @param  list<string>  $places  Rooms first, then what is most in use */
    public function __construct(public array $places)
    {
    }
}

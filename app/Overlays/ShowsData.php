<?php

namespace App\Overlays;

/** Where an event that is being written would be seen at once. */
final readonly class ShowsData
{
    /** @param  list<string>  $on  Calendars that the writer may add to, in the order of the layers */
    public function __construct(public array $on)
    {
    }
}

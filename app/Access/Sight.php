<?php

namespace App\Access;

use Illuminate\Support\Collection;

/** With whose eyes something is looked at: the viewer's own, or those of somebody whom a manager looks as. */
final readonly class Sight
{
    /** @param  Collection<int, AccessibleCalendar>  $calendars  by id */
    public function __construct(public Collection $calendars, public int $personId, public string $address, public bool $readOnly)
    {
    }
}

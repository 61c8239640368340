<?php

namespace App\Access;

use Illuminate\Support\Collection;

/** With whose eyes something is looked at: the viewer's own, or those of somebody whom a manager looks as. */
final readonly class Sight
{
    /**
     * @param  Collection<int, AccessibleCalendar>  $calendars  by id
     * @param  list<int>  $groupIds  that the person is in, directly or through another
     */
    public function __construct(public Collection $calendars, public int $personId, public string $address, public array $groupIds, public bool $readOnly)
    {
    }
}

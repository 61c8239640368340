<?php

namespace App\Overlays;

/** A row of lanes that are told apart by something else than layers. */
final readonly class SheetRow
{
    /**
     * @param  string  $key  as PinnedRota\Core\Overlay\Grouping names it
     * @param  ?int  $calendarId  of a row for a calendar
     */
    public function __construct(public string $key, public string $name, public ?int $calendarId = null)
    {
    }
}

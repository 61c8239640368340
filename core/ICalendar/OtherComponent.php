<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** What a calendar holds beside its events, such as a VTODO or a VAVAILABILITY (RFC 7953): kept as it stands, for writing. */
final readonly class OtherComponent
{
    /** @param  array<string, string>  $zones  ids of the zones that it names, by how it calls them (TZID) */
    public function __construct(public Component $component, public array $zones = [])
    {
    }
}

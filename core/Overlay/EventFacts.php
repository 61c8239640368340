<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** What filters may ask of an event, as far as its viewer may know it. */
final readonly class EventFacts
{
    /**
     * @param  ?list<string>  $categories  lower case; null where they are hidden from the viewer
     */
    public function __construct(public int $calendarId, public ?array $categories)
    {
    }
}

<?php

namespace App\Sources;

use PinnedRota\Core\Events\Event;

/** An event at an address, as one sees it before it is subscribed to. */
final readonly class EventAtAddressData
{
    /** @param  string  $end  Exclusive */
    public function __construct(public string $title, public string $start, public string $end, public bool $allDay, public string $place)
    {
    }

    public static function of(Event $event): self
    {
        return new self($event->contents->title, $event->timing->start->wall(), $event->timing->end->wall(), $event->timing->isAllDay(), $event->contents->place);
    }
}

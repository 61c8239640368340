<?php

namespace App\Sources;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** An event at an address, as one sees it before it is subscribed to. */
final readonly class EventAtAddressData
{
    /** @param  string  $end  Exclusive */
    public function __construct(public string $title, public string $start, public string $end, public bool $allDay, public string $place)
    {
    }

    public static function of(Event $event): self
    {
        $isDate = $event->timing->start->kind === TimeKind::Date;
        $write = static fn (EventTime $time): string => $isDate ? $time->local->toDate() : $time->local->toMinute();

        return new self($event->contents->title, $write($event->timing->start), $write($event->timing->end), $isDate, $event->contents->place);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** One layer of an overlay: some calendars and a filter. How it is drawn is no matter of the rules. */
final readonly class Layer
{
    /** @var array<int, true> */
    private array $calendars;

    /** @param  list<int>  $calendarIds */
    public function __construct(array $calendarIds, public Filter $filter = new Filter)
    {
        $this->calendars = array_fill_keys($calendarIds, true);
    }

    public function takes(EventFacts $event): bool
    {
        return isset($this->calendars[$event->calendarId]) && $this->filter->takes($event);
    }
}

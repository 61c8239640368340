<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Asks whether an event takes up whole days; known of hidden events, too, as they are drawn so. */
final readonly class AllDayCondition implements Condition
{
    public function __construct(private bool $allDay)
    {
    }

    public function asks(): ?Asked
    {
        return null;
    }

    public function holds(EventFacts $event): bool
    {
        return $event->allDay === $this->allDay;
    }

    public function begin(Begun $begun): Begun
    {
        return $begun;
    }
}

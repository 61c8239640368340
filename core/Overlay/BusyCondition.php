<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Asks whether an event takes the time up; of hidden events all do that are seen at all. */
final readonly class BusyCondition implements Condition
{
    public function __construct(private bool $busy)
    {
    }

    public function asks(): ?Asked
    {
        return null;
    }

    public function holds(EventFacts $event): bool
    {
        return ($event->hidden || $event->busy) === $this->busy;
    }

    public function begin(Begun $begun): Begun
    {
        return $begun->takingTime($this->busy);
    }
}

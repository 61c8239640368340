<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

use PinnedRota\Core\Events\Status;

/** Asks how settled an event is. */
final readonly class StatusCondition implements Condition
{
    /** @param  list<Status>  $statuses  any of them */
    public function __construct(private array $statuses)
    {
    }

    public function asks(): ?Asked
    {
        return null;
    }

    public function holds(EventFacts $event): ?bool
    {
        return $event->hidden ? null : in_array($event->status, $this->statuses, true);
    }

    public function begin(Begun $begun): Begun
    {
        return $begun->settled($this->statuses);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Asks who is responsible for an event, takes part in it, or added it. */
final readonly class PeopleCondition implements Condition
{
    /** @param  list<int>  $people  ids; a group stands for all who are in it */
    public function __construct(private array $people, private Part $part)
    {
    }

    public function asks(): ?Asked
    {
        return $this->part === Part::Added ? null : Asked::People;
    }

    public function holds(EventFacts $event): ?bool
    {
        if ($event->hidden) {
            return null;
        }

        return array_intersect($this->people, match ($this->part) {
            Part::Responsible => $event->responsible,
            Part::TakingPart => $event->takingPart,
            Part::Added => $event->addedBy === null ? [] : [$event->addedBy],
        }) !== [];
    }

    public function begin(Begun $begun): Begun
    {
        return $begun;
    }
}

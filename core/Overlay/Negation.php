<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** The opposite of a condition. */
final readonly class Negation implements Condition
{
    public function __construct(private Condition $condition)
    {
    }

    public function asks(): ?Asked
    {
        return $this->condition->asks();
    }

    public function holds(EventFacts $event): ?bool
    {
        $holds = $this->condition->holds($event);

        return $holds === null ? null : ! $holds;
    }

    public function begin(Begun $begun): Begun
    {
        return $begun;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** The level a viewer has, and every way by which some level is held. */
final readonly class Decision
{
    /** @param  list<Reason>  $reasons the highest first */
    public function __construct(public Level $level, public array $reasons)
    {
    }

    /** Another level, held by the same ways: where something else than they says how far it goes. */
    public function at(Level $level): self
    {
        return new self($level, $this->reasons);
    }
}

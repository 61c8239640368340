<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** How much work one call may still do: counts steps down, so that no rule, however odd, goes on for ever. */
final class StepBudget
{
    private int $spent = 0;

    public function __construct(private readonly int $limit)
    {
    }

    /**
     * Takes steps; false once the limit is passed.
     *
     * @phpstan-impure
     */
    public function spend(int $steps = 1): bool
    {
        return ($this->spent += $steps) <= $this->limit;
    }

    public function spent(): int
    {
        return $this->spent;
    }
}

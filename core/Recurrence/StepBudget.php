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

    /** Takes one step; false once the limit is passed. */
    public function spend(): bool
    {
        return ++$this->spent <= $this->limit;
    }

    public function spent(): int
    {
        return $this->spent;
    }
}

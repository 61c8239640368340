<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** How much work one call may still do: counts steps down, so that no rule, however odd, goes on for ever. */
final class StepBudget
{
    private int $spent = 0;

    /** @param  ?WorkBudget  $within  from which its steps are taken, too */
    public function __construct(private readonly int $limit, private readonly ?WorkBudget $within = null)
    {
    }

    /**
     * Takes steps; false once the limit is passed.
     *
     * @throws TooMuchWork once there is nothing left of what it is within
     *
     * @phpstan-impure
     */
    public function spend(int $steps = 1): bool
    {
        $this->within?->spend($steps);

        return ($this->spent += $steps) <= $this->limit;
    }

    public function spent(): int
    {
        return $this->spent;
    }
}

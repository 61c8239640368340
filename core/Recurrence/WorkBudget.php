<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** How much one request, or one job, may work out in all: steps through rules and times that come of them, and memory. */
final class WorkBudget
{
    /** Steps between two looks at the memory. */
    private const LOOK = 2_000;

    private int $sinceLook = 0;

    /**
     * @param  int  $steps  that are left
     * @param  int  $bytes  of memory that PHP may use
     */
    public function __construct(private int $steps, private readonly int $bytes = PHP_INT_MAX)
    {
    }

    /** @throws TooMuchWork once more was asked for than there is */
    public function spend(int $steps): void
    {
        $this->steps -= $steps;
        $this->sinceLook += $steps;
        if ($this->steps < 0) {
            throw TooMuchWork::ofSteps();
        }
        if ($this->sinceLook >= self::LOOK) {
            $this->sinceLook = 0;
            if (memory_get_usage() > $this->bytes) {
                throw TooMuchWork::ofMemory();
            }
        }
    }
}

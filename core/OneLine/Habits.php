<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** How an organisation writes dates and times: what `2/11` and “in the evening” mean in it. */
final readonly class Habits
{
    /**
     * @param  bool  $dayFirst  whether `2/11` is the second of November
     * @param  int  $morning  in minutes from midnight: when what is “in the morning” begins
     * @param  int  $evening  the same of “in the evening”
     */
    public function __construct(public bool $dayFirst = true, public int $morning = 9 * 60, public int $evening = 18 * 60)
    {
    }
}

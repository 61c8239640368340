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
     * @param  int  $afternoon  the same of “in the afternoon”
     */
    public function __construct(public bool $dayFirst = true, public int $morning = 9 * 60, public int $evening = 18 * 60, public int $afternoon = 13 * 60)
    {
    }

    /** Minutes from midnight when a part of the day begins; null where the word is none. */
    public function startOf(string $part): ?int
    {
        return ['morning' => $this->morning, 'afternoon' => $this->afternoon, 'evening' => $this->evening][mb_strtolower($part)] ?? null;
    }
}

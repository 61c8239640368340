<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** What becomes of a day that a month does not have, such as 31 April (SKIP, RFC 7529, 4.1). */
enum Skip: string
{
    case Omit = 'OMIT';
    case Backward = 'BACKWARD';
    case Forward = 'FORWARD';

    /**
     * The day that stands for one after the end of a month.
     *
     * @param  int  $last  the last day of the month (see CivilDate)
     */
    public function insteadOfAfter(int $last): ?int
    {
        return match ($this) {
            self::Omit => null,
            self::Backward => $last,
            self::Forward => $last + 1,
        };
    }
}

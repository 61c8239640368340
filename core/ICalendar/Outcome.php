<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** What the reader did about a problem. */
enum Outcome: string
{
    /** Read all the same, as was most likely meant. */
    case Mended = 'mended';

    /** Left out; the rest of the component was read. */
    case Skipped = 'skipped';

    /** The whole event was left out. */
    case Refused = 'refused';

    /** How much is lost: 0 for nothing. */
    public function severity(): int
    {
        return match ($this) {
            self::Mended => 0,
            self::Skipped => 1,
            self::Refused => 2,
        };
    }
}

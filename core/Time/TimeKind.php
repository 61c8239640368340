<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** What an author meant by a time (RFC 5545, 3.3.4 and 3.3.5). */
enum TimeKind: string
{
    /** A day of the calendar, the same wherever it is read. */
    case Date = 'date';

    /** A time of day, the same on every wall wherever it is read. */
    case Floating = 'floating';

    /** A wall time in a named zone: one instant. */
    case Zoned = 'zoned';
}

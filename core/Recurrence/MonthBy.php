<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** How the day in a month is counted: as that of the start is. */
enum MonthBy: string
{
    case Date = 'date';

    /** Which of its weekdays it is, from the first. */
    case Weekday = 'weekday';

    case LastWeekday = 'last weekday';
    case LastDay = 'last day';
}

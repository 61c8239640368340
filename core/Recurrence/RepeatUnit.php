<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** What a plain repeat counts. */
enum RepeatUnit: string
{
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';
    case Year = 'year';

    public function frequency(): Frequency
    {
        return match ($this) {
            self::Day => Frequency::Daily,
            self::Week => Frequency::Weekly,
            self::Month => Frequency::Monthly,
            self::Year => Frequency::Yearly,
        };
    }
}

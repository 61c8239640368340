<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** One member of BYDAY: a weekday (0 is Monday), with an ordinal within the month or year, or 0 for each such day. */
final readonly class WeekdayRule
{
    public const NAMES = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    public function __construct(public int $weekday, public int $ordinal = 0)
    {
    }

    public function __toString(): string
    {
        return ($this->ordinal === 0 ? '' : (string) $this->ordinal).self::NAMES[$this->weekday];
    }
}

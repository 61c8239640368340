<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** FREQ of a recurrence rule (RFC 5545, 3.3.10), from the longest period to the shortest. */
enum Frequency: string
{
    case Yearly = 'YEARLY';
    case Monthly = 'MONTHLY';
    case Weekly = 'WEEKLY';
    case Daily = 'DAILY';
    case Hourly = 'HOURLY';
    case Minutely = 'MINUTELY';
    case Secondly = 'SECONDLY';

    /** Whether a period is shorter than a day. */
    public function isSubDaily(): bool
    {
        return $this->unitSeconds() !== null;
    }

    /** The length of a period shorter than a day, in seconds. */
    public function unitSeconds(): ?int
    {
        return match ($this) {
            self::Hourly => 3600,
            self::Minutely => 60,
            self::Secondly => 1,
            default => null,
        };
    }
}

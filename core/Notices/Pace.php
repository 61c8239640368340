<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

/** When somebody is told of what changed with what they follow. */
enum Pace: string
{
    /** As it happens. */
    case Now = 'now';
    case Daily = 'daily';
    case Weekly = 'weekly';

    /** Not at all, whatever else takes it. */
    case Off = 'off';

    public function words(): string
    {
        return match ($this) {
            self::Now => 'as it happens',
            self::Daily => 'once a day',
            self::Weekly => 'once a week',
            self::Off => 'never',
        };
    }

    public function isDigest(): bool
    {
        return $this === self::Daily || $this === self::Weekly;
    }
}

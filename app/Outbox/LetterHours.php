<?php

namespace App\Outbox;

use App\Directory\Person;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Invitations\QuietHours;
use PinnedRota\Core\Time\Zone;

/** The hours at which somebody is not written to about what can wait: their own, else those of the site. */
final class LetterHours
{
    /** @return ?Carbon when they may be written to again; null where that is now */
    public static function over(?Person $person): ?Carbon
    {
        $hours = QuietHours::parse($person->quiet_hours ?? '') ?? QuietHours::parse((string) config('rota.letters.quiet'));
        $over = $hours?->over(now()->getTimestamp(), Zone::of($person->timezone ?? (string) config('rota.timezone')));

        return $over === null ? null : Carbon::createFromTimestampUTC($over);
    }

    /** @throws SendLater where it is quiet */
    public static function await(?Person $person): void
    {
        $over = self::over($person);
        if ($over !== null) {
            throw new SendLater('Nobody is written to at this hour.', $over);
        }
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;

/** The plain reminders of an event, so many minutes before it starts, among others that a file may have. */
final class Reminders
{
    /** @return ?int minutes before the start; null where a reminder is of another kind */
    public static function minutes(Reminder $reminder): ?int
    {
        if ($reminder->offset === null || $reminder->fromEnd || $reminder->action !== 'DISPLAY') {
            return null;
        }
        $seconds = $reminder->offset->days * CivilDate::SECONDS_PER_DAY + $reminder->offset->seconds;

        return $seconds <= 0 && $seconds % 60 === 0 ? intdiv(-$seconds, 60) : null;
    }

    /** So long before the start, shown; whole days are days on the wall, also over a clock change. */
    public static function before(int $minutes): Reminder
    {
        $days = $minutes % 1440 === 0 ? intdiv($minutes, 1440) : 0;

        // A reminder that is shown has a text (RFC 5545, 3.6.6).
        return new Reminder(new Duration(-$days, $days === 0 ? -60 * $minutes : 0), extra: [new Property('DESCRIPTION', 'Reminder')]);
    }

    /**
     * The reminders with these plain ones; plain ones that were there stay as they are, those of another kind, too.
     *
     * @param  list<Reminder>  $before
     * @param  list<int>  $wanted  minutes before the start
     * @return list<Reminder>
     */
    public static function put(array $before, array $wanted): array
    {
        $kept = array_values(array_filter($before, static fn (Reminder $each): bool => self::minutes($each) === null || in_array(self::minutes($each), $wanted, true)));
        $there = array_map(self::minutes(...), $kept);
        $new = array_map(self::before(...), array_values(array_filter(array_unique($wanted), static fn (int $minutes): bool => ! in_array($minutes, $there, true))));

        return [...$kept, ...$new];
    }
}

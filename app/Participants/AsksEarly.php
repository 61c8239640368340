<?php

namespace App\Participants;

use PinnedRota\Core\Events\AskWhen;

/** Which events ask while they are provisional, too, as the database is asked for it: they say so themselves, or leave it to their calendar. */
final class AsksEarly
{
    /**
     * @param  string  $event  the name of the table of events in a query
     * @param  string  $calendar  that of calendars
     */
    public static function sql(string $event, string $calendar): string
    {
        [$early, $settled] = [AskWhen::Provisional->value, AskWhen::Confirmed->value];

        return "COALESCE({$event}.ask_when, IF({$calendar}.asks_provisional, '{$early}', '{$settled}')) = '{$early}'";
    }
}

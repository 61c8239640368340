<?php

namespace App\Directory;

use App\Calendars\OwnCalendar;
use App\Overlays\HomeSheet;
use Illuminate\Auth\Events\Login;

/** What everybody has from the first day: a calendar and a sheet of their own. */
final class OwnThings
{
    /** Whoever comes in has them, however they came to be here. */
    public function handle(Login $login): void
    {
        if ($login->user instanceof Person) {
            self::of($login->user);
        }
    }

    public static function of(Person $person): void
    {
        OwnCalendar::of($person);
        HomeSheet::of($person);
    }
}

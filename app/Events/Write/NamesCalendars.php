<?php

namespace App\Events\Write;

/** A command that brings a series onto calendars on which it may not have been. */
interface NamesCalendars
{
    /** @return list<int> */
    public function calendarIds(): array;
}

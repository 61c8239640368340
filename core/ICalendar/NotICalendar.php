<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use RuntimeException;

/** A stream in which no VCALENDAR begins. */
final class NotICalendar extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('This is not an iCalendar file: it has no line BEGIN:VCALENDAR.');
    }
}

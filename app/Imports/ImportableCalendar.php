<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Finds the calendar that somebody brings a file into. */
final class ImportableCalendar
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    /** @throws AccessDeniedHttpException where the person may not, or where its events come from outside */
    public function named(string $slug): Calendar
    {
        $found = $this->viewer->calendar($slug, Level::Change);
        if ($found->calendar->isSubscribed()) {
            throw new AccessDeniedHttpException('The events of this calendar come from outside; nothing is imported into it.');
        }

        return $found->calendar;
    }
}

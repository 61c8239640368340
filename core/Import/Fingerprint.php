<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\EventWriter;
use PinnedRota\Core\ICalendar\LineWriter;

/** A digest of what a series says; equal for equal contents, whatever the order or the stamps in the file. */
final class Fingerprint
{
    public static function of(Series $series): string
    {
        $lines = LineWriter::unfolded(static function (LineWriter $writer) use ($series): void {
            foreach ($series->events() as $event) {
                (new EventWriter($writer))->write($event, 0);
            }
        });

        // Some programs stamp every event anew each time they are asked.
        return hash('sha256', (string) preg_replace('/^LAST-MODIFIED[;:].*\R/m', '', $lines));
    }
}

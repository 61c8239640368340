<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\EventWriter;
use PinnedRota\Core\ICalendar\LineWriter;
use RuntimeException;

/** A digest of what a series says; equal for equal contents, whatever the order or the stamps in the file. */
final class Fingerprint
{
    public static function of(Series $series): string
    {
        $stream = fopen('php://memory', 'w+');
        if ($stream === false) {
            throw new RuntimeException('No memory stream could be opened.');
        }
        $writer = new EventWriter(new LineWriter($stream, PHP_INT_MAX));
        foreach ($series->events() as $event) {
            $writer->write($event, 0);
        }
        rewind($stream);

        // Some programs stamp every event anew each time they are asked.
        return hash('sha256', (string) preg_replace('/^LAST-MODIFIED[;:].*\R/m', '', (string) stream_get_contents($stream)));
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarWriter;
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
        (new CalendarWriter($stream))->write('', [$series], 0);
        rewind($stream);

        return hash('sha256', (string) stream_get_contents($stream));
    }
}

<?php

declare(strict_types=1);

/** Prints the ratios of two measurements of the window: one database, and one ten times as large. */

use Bench\Clock;

require __DIR__.'/Clock.php';

[$small, $large] = array_map(static fn (string $json): array => json_decode($json, true, flags: JSON_THROW_ON_ERROR), array_slice($argv, 1));
foreach (['1,000,000' => $small, '10,000,000' => $large] as $size => $each) {
    printf("%10s occurrences: window %.1f ms, floor %.1f ms, %d rows\n", $size, $each['window'], $each['floor'], $each['rows']);
}
Clock::row('month window, 20 calendars: whole request / floor', $small['window'] / $small['floor'], 'at most', 3);
Clock::row('the same window at 10 × the database / at 1 ×', $large['window'] / $small['window'], 'at most', 1.2);

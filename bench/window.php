<?php

declare(strict_types=1);

/**
 * Times a month window over the twenty calendars of the overlay, whole request, against its floor.
 *
 *   php bench/window.php PORT [ROUNDS]
 *
 * Prints a JSON object: milliseconds of each (medians of alternating requests) and how many rows they had.
 */

require __DIR__.'/Browser.php';

$browser = new Bench\Browser('http://127.0.0.1:'.$argv[1]);
$browser->signIn('bench@example.org', 'a-long-enough-one');
$from = (new DateTimeImmutable('first day of this month'))->format('Y-m-d');
$to = (new DateTimeImmutable('first day of next month'))->format('Y-m-d');
$window = "/api/v1/sheet?from={$from}&to={$to}&tz=Europe/London&overlay=bench";
$floor = "/bench-floor?from={$from}&to={$to}";
$times = ['window' => [], 'floor' => []];
for ($round = 0; $round < (int) ($argv[2] ?? 60); $round++) {
    foreach (['window' => $window, 'floor' => $floor] as $name => $path) {
        [$seconds, $answer] = $browser->get($path);
        $times[$name][] = $seconds;
        $rows[$name] = count(json_decode($answer, true)['items'] ?? []);
    }
}
if ($rows['window'] !== $rows['floor'] || $rows['window'] === 0) {
    fwrite(STDERR, "The window has {$rows['window']} rows, its floor {$rows['floor']}.\n");
    exit(1);
}
$median = static function (array $list): float {
    sort($list);

    return $list[intdiv(count($list), 2)] * 1e3;
};
echo json_encode(['window' => $median($times['window']), 'floor' => $median($times['floor']), 'rows' => $rows['window']]), "\n";

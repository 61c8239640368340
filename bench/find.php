<?php

declare(strict_types=1);

/**
 * Times finding over 100,000 events, whole request: words that are rare, that every event has, the beginning of one, and
 * none that any has.
 *
 *   php bench/find.php PORT
 */

require __DIR__.'/Browser.php';
require __DIR__.'/Clock.php';

const TARGET = 100;

$browser = new Bench\Browser('http://127.0.0.1:'.$argv[1]);
$browser->signIn('others@example.org', 'a-long-enough-one');
$browser->get('/api/v1/find?q=plank&tz=Europe/London');
foreach (['one title of a hundred' => 'plank group 42', 'every event there is' => 'plank steaming', 'a beginning' => 'mall', 'a place and a description' => 'long loft twine', 'a category' => 'category', 'nothing' => 'xylophone', 'a date' => 'next tue'] as $what => $words) {
    $times = [];
    for ($round = 0; $round < 15; $round++) {
        [$seconds, $answer] = $browser->get('/api/v1/find?tz=Europe/London&q='.rawurlencode($words));
        $times[] = $seconds * 1e3;
    }
    sort($times);
    Bench\Clock::row("finding {$what}, ms (median of 15; ".count(json_decode($answer, true)['events']).' found)', $times[7], 'at most', TARGET);
}

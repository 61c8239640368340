<?php

declare(strict_types=1);

/**
 * Times the window that twenty people at work read, each every two seconds over a connection of their own, while nobody and while
 * fifty a second read a published page; in turns, so that whatever else the machine does falls on both alike.
 *
 *   php bench/crowd.php PORT
 */

require __DIR__.'/Browser.php';
require __DIR__.'/Clock.php';

const PEOPLE = 20;

/** In seconds. */
const BETWEEN_WINDOWS = 2.0;

const PAGES_A_SECOND = 50;

/** Every so many of them look at another view than the one that opens. */
const OTHER_VIEW = 10;

/** In seconds, and how often. */
const PHASE = 12;

const PHASES = 3;

const TARGET = 1.5;

$url = 'http://127.0.0.1:'.$argv[1];
$browser = new Bench\Browser($url);
$browser->signIn('bench@example.org', 'a-long-enough-one');
$cookies = $browser->cookies();
$from = (new DateTimeImmutable('first day of this month'))->format('Y-m-d');
$to = (new DateTimeImmutable('first day of next month'))->format('Y-m-d');
$window = "/api/v1/sheet?from={$from}&to={$to}&tz=Europe/London&overlay=bench";
$browser->get($window);

/** @return array{windows: list<float>, pages: list<float>, failed: int} seconds each took */
$phase = static function (bool $isCrowded) use ($url, $window, $cookies): array {
    $multi = curl_multi_init();
    $told = ['windows' => [], 'pages' => [], 'failed' => 0];
    $idle = $what = [];
    $begin = static function (string $kind, string $path, array $headers) use ($multi, $url, &$idle, &$what): void {
        $curl = array_pop($idle[$kind]) ?? curl_init();
        curl_setopt_array($curl, [CURLOPT_URL => $url.$path, CURLOPT_RETURNTRANSFER => true, CURLOPT_ENCODING => '', CURLOPT_HTTPHEADER => $headers]);
        $what[spl_object_id($curl)] = $kind;
        curl_multi_add_handle($multi, $curl);
    };
    $idle = ['windows' => [], 'pages' => []];
    $begun = microtime(true);
    $asked = ['windows' => 0, 'pages' => 0];
    do {
        $now = microtime(true) - $begun;
        $isOver = $now > PHASE;
        while (! $isOver && $asked['windows'] < $now * PEOPLE / BETWEEN_WINDOWS) {
            $asked['windows']++;
            $begin('windows', $window, ['Accept: application/json', "Cookie: {$cookies}"]);
        }
        while (! $isOver && $isCrowded && $asked['pages'] < $now * PAGES_A_SECOND) {
            $asked['pages']++;
            $begin('pages', '/p/bench'.($asked['pages'] % OTHER_VIEW === 0 ? '?view=month' : ''), []);
        }
        curl_multi_exec($multi, $running);
        while (($done = curl_multi_info_read($multi)) !== false) {
            $curl = $done['handle'];
            $kind = $what[spl_object_id($curl)];
            curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200 ? $told[$kind][] = curl_getinfo($curl, CURLINFO_TOTAL_TIME) : $told['failed']++;
            curl_multi_remove_handle($multi, $curl);
            $idle[$kind][] = $curl;
        }
        curl_multi_select($multi, 0.002);
    } while (! $isOver || $running > 0);

    return $told;
};

$all = [false => ['windows' => [], 'pages' => [], 'failed' => 0], true => ['windows' => [], 'pages' => [], 'failed' => 0]];
for ($round = 0; $round < PHASES; $round++) {
    foreach ([false, true] as $isCrowded) {
        foreach ($phase($isCrowded) as $name => $told) {
            $all[$isCrowded][$name] = is_array($told) ? [...$all[$isCrowded][$name], ...$told] : $all[$isCrowded][$name] + $told;
        }
    }
}
$at = static function (array $times, float $part): float {
    sort($times);

    return $times[(int) ((count($times) - 1) * $part)] * 1e3;
};
foreach ($all as $isCrowded => $told) {
    printf("%s: %d windows, median %.1f ms, of 95 %% %.1f ms; %d pages%s; %d failed\n", $isCrowded ? 'beside fifty pages a second' : 'nobody else', count($told['windows']), $at($told['windows'], 0.5), $at($told['windows'], 0.95), count($told['pages']), $told['pages'] === [] ? '' : sprintf(', median %.2f ms', $at($told['pages'], 0.5)), $told['failed']);
}
Bench\Clock::row('window of twenty people beside fifty pages a second', $at($all[true]['windows'], 0.5) / $at($all[false]['windows'], 0.5), 'at most', TARGET);
exit($all[true]['failed'] + $all[false]['failed'] === 0 ? 0 : 1);

<?php

declare(strict_types=1);

/**
 * Checks calendar files that came to harm, many of them: php tests/Support/fuzz.php [files] [seed]. Beside what tests/core/FuzzTest.php
 * asks, each takes 5 seconds at most, and all of them 128 MB. A file that fails is kept as var/fuzz-SEED-NUMBER.ics.
 */

use Tests\Support\Fuzz;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '128M');
const SECONDS = 5;

[$files, $seed] = [(int) ($argv[1] ?? 100_000), (int) ($argv[2] ?? 1)];
$failed = $clean = $expanded = $events = 0;
$slowest = 0.0;
pcntl_async_signals(true);
pcntl_signal(SIGALRM, static fn () => throw new RuntimeException('It takes longer than '.SECONDS.' seconds.'));
mt_srand($seed);
$fuzz = Fuzz::ofEverything();
for ($number = 0; $number < $files; $number++) {
    mt_srand($seed * 1_000_003 + $number);
    $text = $fuzz->file();
    $begins = hrtime(true);
    pcntl_alarm(SECONDS);
    try {
        $result = Fuzz::check($text);
        $clean += (int) $result['clean'];
        $expanded += (int) ($result['clean'] && $result['expanded']);
        $events += $result['events'];
    } catch (Throwable $problem) {
        $failed++;
        @mkdir(__DIR__.'/../../var');
        file_put_contents(__DIR__."/../../var/fuzz-{$seed}-{$number}.ics", $text);
        echo "{$seed}-{$number}: ".$problem::class.': '.mb_strimwidth($problem->getMessage(), 0, 800, '…')."\n   {$problem->getFile()}:{$problem->getLine()}\n";
    } finally {
        pcntl_alarm(0);
    }
    $slowest = max($slowest, (hrtime(true) - $begins) / 1e9);
}
printf("%d files, %d series, %d sound, of which %d were expanded twice; %d failed; the slowest took %.2f s; %.1f MB at most\n", $files, $events, $clean, $expanded, $failed, $slowest, memory_get_peak_usage() / 1e6);
exit($failed === 0 ? 0 : 1);

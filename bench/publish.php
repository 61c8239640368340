<?php

declare(strict_types=1);

/**
 * Times what is published and has not changed, whole request, beside a static file of the same octets under the same server: the
 * page of a calendar with 5,000 times of events, and its feed; sent again, and asked for by who has it already.
 *
 *   php bench/publish.php PORT
 */

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Publishing\Publication;
use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Clock.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const ROUNDS = 60;

/** So many times a static file it may take at most. */
const TARGET = 2;

$calendar = Calendar::query()->where('keeper_id', Person::query()->firstOrFail()->id)->firstOrFail();
Publication::query()->delete();
Publication::query()->create(['name' => 'Bench', 'calendar_id' => $calendar->id, 'detail' => 'everything', 'audience' => 'everybody', 'slug' => 'bench', 'published_by' => $calendar->keeper_id]);
$url = 'http://127.0.0.1:'.$argv[1];
$curl = curl_init();
$ask = static function (string $path, ?string $etag = null) use ($curl, $url): array {
    $head = '';
    curl_setopt_array($curl, [CURLOPT_URL => $url.$path, CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => $etag === null ? [] : ["If-None-Match: {$etag}"], CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$head): int {
        $head .= $line;

        return strlen($line);
    }]);
    $text = (string) curl_exec($curl);
    preg_match('/^etag: (.+?)\r$/mi', $head, $found);

    return [curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1e3, $text, $found[1] ?? null, curl_getinfo($curl, CURLINFO_RESPONSE_CODE)];
};
$median = static function (array $times): float {
    sort($times);

    return $times[intdiv(count($times), 2)];
};
foreach (['page' => '/p/bench', 'feed' => '/p/bench.ics'] as $what => $path) {
    [$first, $text] = $ask($path);
    [, , $etag, $status] = $ask($path);
    $status === 200 || exit("{$path} answered {$status}\n");
    // Under the same server, with the same octets.
    $name = "bench-{$what}.txt";
    file_put_contents(public_path("build/{$name}"), $text);
    [, , $fileEtag] = $ask("/build/{$name}");
    $times = [];
    for ($round = 0; $round < ROUNDS; $round++) {
        foreach (['file' => ["/build/{$name}", null], 'sent' => [$path, null], 'file, 304' => ["/build/{$name}", $fileEtag], 'had' => [$path, $etag]] as $how => $asked) {
            $times[$how][] = $ask(...$asked)[0];
        }
    }
    unlink(public_path("build/{$name}"));
    printf("%s of %d kB: made in %.1f ms; file %.2f ms, again %.2f ms; 304 %.2f and %.2f ms\n", $what, strlen($text) / 1000, $first, $median($times['file']), $median($times['sent']), $median($times['file, 304']), $median($times['had']));
    Bench\Clock::row("unchanged {$what}, sent again, against a static file", $median($times['sent']) / $median($times['file']), 'at most', TARGET);
    Bench\Clock::row("unchanged {$what}, had already, against a static file", $median($times['had']) / $median($times['file, 304']), 'at most', TARGET);
}

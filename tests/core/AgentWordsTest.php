<?php

use PinnedRota\Core\Directory\AgentWords;

test('a browser is told by its name and what it runs on', function (string $agent, string $words) {
    expect(AgentWords::of($agent))->toBe($words);
})->with([
    ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
    ['Mozilla/5.0 (Windows NT 10.0; Win64; x64) Chrome/156.0.0.0 Safari/537.36 Edg/156.0.0.0', 'Edge on Windows'],
    ['Mozilla/5.0 (Linux; Android 16) Chrome/156.0.0.0 Mobile Safari/537.36', 'Chrome on Android'],
    ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Version/19.0 Mobile/15E148 Safari/604.1', 'Safari on iPhone'],
    ['Mozilla/5.0 (iPad; CPU OS 19_0 like Mac OS X) CriOS/156.0 Mobile/15E148 Safari/604.1', 'Chrome on iPad'],
    ['Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) Version/19.0 Safari/605.1.15', 'Safari on macOS'],
    ['curl/8.5.0', 'curl/8.5.0'],
    ['SomethingElse/1.0 (Windows)', 'a program on Windows'],
    ['', ''],
    [str_repeat('x', 300), str_repeat('x', 59).'…'],
]);

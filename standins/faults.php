<?php

declare(strict_types=1);

/** A far side that misbehaves. */
function fault(string $name): void
{
    match ($name) {
        '500' => http_response_code(500),
        'slow' => sleep(40),
        'page' => print '<!doctype html><title>Sign in</title><p>Please sign in to see this calendar.<form><input type="password"></form>',
        'large' => array_map(static fn (int $line): int => print str_repeat('X', 1023)."\n", range(1, 12 * 1024)),
        // Leads to an address that is none.
        'astray' => header('Location: http://[::1', true, 302),
        // Leads on and on.
        'round' => header('Location: /faults/round', true, 302),
        'script' => print '<!doctype html><title>Dates</title><div id="app"></div><script>document.getElementById("app").textContent = "…"</script>',
        'bare' => print '<!doctype html><title>About us</title><p>'.str_repeat('We build boats, and have done so for a long time. ', 12).'</p>',
        'office' => print "PK\x03\x04".str_repeat("\0", 100),
        'redirect' => header('Location: http://169.254.169.254/latest/', true, 302),
        default => http_response_code(404),
    };
}

/**
 * Events that the caller names, one a day from tomorrow on.
 *
 * @param  list<string>  $names
 */
function chosen(array $names, DateTimeImmutable $today): string
{
    $events = [];
    foreach (array_filter($names) as $index => $name) {
        $events[] = event([
            'UID' => md5($name).'@switch.invalid',
            'DTSTART;VALUE=DATE' => $today->modify('+'.($index + 1).' days')->format('Ymd'),
            'SUMMARY' => preg_replace('/[^\w .-]/', '', $name) ?? '',
        ]);
    }

    return calendar('Switch', $events);
}

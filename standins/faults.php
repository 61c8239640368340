<?php

declare(strict_types=1);

/** A far side that misbehaves. */
function fault(string $name): void
{
    match ($name) {
        '500' => http_response_code(500),
        'slow' => sleep(40),
        'page' => print '<!doctype html><title>Sign in</title><p>Please sign in to see this calendar.',
        'large' => array_map(static fn (int $line): int => print str_repeat('X', 1023)."\n", range(1, 12 * 1024)),
        // Leads to an address that is none.
        'astray' => header('Location: http://[::1', true, 302),
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

<?php

// The front of the simulated outside world: see README.md.

declare(strict_types=1);

require __DIR__.'/tides.php';
require __DIR__.'/fixtures.php';
require __DIR__.'/faults.php';
require __DIR__.'/mailbox.php';
require __DIR__.'/meetings.php';
require __DIR__.'/school-site.php';
require __DIR__.'/neighbours.php';

$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
$today = new DateTimeImmutable('today', new DateTimeZone('Europe/London'));

match (true) {
    $path === '/harbour-office/tides.ics' => answer(tides($today)),
    $path === '/regatta-league/fixtures.ics' => answer(fixtures($today)),
    $path === '/region/holidays.ics' => answer(holidays($today)),
    $path === '/rowing-club/races.ics' => answer(races($today, isset($_GET['season']))),
    $path === '/village', str_starts_with($path, '/village/') => village(substr($path, 9), $today),
    $path === '/leads/on' => header('Location: '.(string) ($_GET['to'] ?? ''), true, 302),
    $path === '/hall/bookings.xlsx' => bookings($today),
    $path === '/members/events.ics' => membersOnly($today),
    str_starts_with($path, '/changing/') => changing(substr($path, 10), (string) getenv('ROTA_HOME'), $today),
    $path === '/mailbox' => mailbox((string) getenv('ROTA_HOME')),
    $path === '/meetings' => meeting(null),
    str_starts_with($path, '/meet/') => meeting(substr($path, 6)),
    $path === '/school' => schoolSite((string) ($_GET['frame'] ?? '')),
    str_starts_with($path, '/faults/') => fault(substr($path, 8)),
    str_starts_with($path, '/switch/') => answer(chosen(explode(',', (string) ($_GET['events'] ?? '')), $today)),
    default => http_response_code(404),
};

/** Answers with an iCalendar document, or 304 where the caller has it. */
function answer(string $document): void
{
    $etag = '"'.md5($document).'"';
    header('ETag: '.$etag);
    if (($_SERVER['HTTP_IF_NONE_MATCH'] ?? '') === $etag) {
        http_response_code(304);

        return;
    }
    header('Content-Type: text/calendar; charset=utf-8');
    echo $document;
}

/** @param  list<string>  $events each a VEVENT */
function calendar(string $name, array $events): string
{
    return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Stand-in//EN\r\nX-WR-CALNAME:{$name}\r\n".implode('', $events)."END:VCALENDAR\r\n";
}

/** @param  array<string, string>  $properties */
function event(array $properties): string
{
    $lines = '';
    foreach ($properties as $name => $value) {
        $lines .= "{$name}:{$value}\r\n";
    }

    return "BEGIN:VEVENT\r\n{$lines}END:VEVENT\r\n";
}

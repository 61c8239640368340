<?php

declare(strict_types=1);

use PinnedRota\Core\Spreadsheet\XlsxWriter;

/** Public holidays of the invented region, of this year and the next; asks to be fetched no more than once a week. */
function holidays(DateTimeImmutable $today): string
{
    $events = [];
    foreach ([(int) $today->format('Y'), (int) $today->format('Y') + 1] as $year) {
        foreach (['01-01' => 'New Year', '03-08' => 'Tide Day', '05-01' => 'Spring Holiday', '06-21' => 'Midsummer', '08-15' => 'Harbour Day', '11-02' => 'Lantern Day', '12-25' => 'Christmas Day', '12-26' => 'Second Christmas Day'] as $day => $name) {
            $date = new DateTimeImmutable("{$year}-{$day}");
            $events[] = event(['UID' => "holiday-{$year}-{$day}@region.invalid", 'DTSTART;VALUE=DATE' => $date->format('Ymd'), 'SUMMARY' => $name, 'CATEGORIES' => 'holiday', 'TRANSP' => 'TRANSPARENT']);
        }
    }

    return str_replace('X-WR-CALNAME:', "REFRESH-INTERVAL;VALUE=DURATION:P7D\r\nX-WR-CALNAME:", calendar('Public holidays of the Norrend coast', $events));
}

/** Races of the rowing club: all of the season, or as it has lost most of them. */
function races(DateTimeImmutable $today, bool $isLost): string
{
    $names = ['Head of the Quay', 'Breck Sculls', 'Tolm Fours', 'Winter League 1', 'Winter League 2', 'Ladies’ Day', 'Novice Pairs', 'Long Row to Ayle', 'Harbour Sprints', 'Commodore’s Cup', 'Sculls at Norrend', 'Closing Regatta'];
    $events = [];
    foreach ($isLost ? array_slice($names, 0, 3) : $names as $week => $name) {
        $start = $today->modify('+'.(3 + 7 * $week).' days')->setTime(10, 0);
        $events[] = event(['UID' => md5($name).'@rowing-club.invalid', 'DTSTART;TZID=Europe/London' => $start->format('Ymd\THis'), 'DTEND;TZID=Europe/London' => $start->modify('+3 hours')->format('Ymd\THis'), 'SUMMARY' => $name, 'LOCATION' => 'Rowing club slip', 'CATEGORIES' => 'race']);
    }

    return calendar('Rowing club races', $events);
}

/** What is on in the village: a page with dates, and a page of each event that it leads to. */
function village(string $path, DateTimeImmutable $today): void
{
    header('Content-Type: text/html; charset=utf-8');
    $events = ['quiz' => ['Quiz night', 6, '7.30pm', 'The Capstan'], 'fair' => ['Winter fair', 13, '10am', 'Market Square'], 'carols' => ['Carols on the quay', 20, '6pm', 'Fish Quay'], 'swim' => ['New year swim', 27, '11am', 'Slipway']];
    $day = static fn (int $days): string => $today->modify("+{$days} days")->format('l j F Y');
    if (isset($events[$path])) {
        [$name, $days, $hour, $place] = $events[$path];
        echo "<!doctype html><title>{$name}</title><nav><a href=\"/village\">All that is on</a></nav><h1>{$name}</h1><p>The {$name} is on {$day($days)} at {$hour} at {$place}.</p>";

        return;
    }
    if ($path !== '') {
        http_response_code(404);

        return;
    }
    $items = '';
    foreach ($events as $key => [$name]) {
        $items .= "<li><a href=\"/village/{$key}\">{$name}</a></li>";
    }
    echo "<!doctype html><title>What is on in Skerrin village</title><h1>What is on</h1><p>The tide mill is open on {$day(9)} from 2pm to 4pm.</p><ul>{$items}</ul>";
}

/** A far side that says what it is told to say: names of events between commas, or “fail”. A POST tells it. */
function changing(string $name, string $home, DateTimeImmutable $today): void
{
    $file = "{$home}/tmp/changing-".preg_replace('/\W/', '', $name);
    if ($_SERVER['REQUEST_METHOD'] === 'POST') {
        file_put_contents($file, (string) ($_POST['says'] ?? ''));

        return;
    }
    $says = (string) @file_get_contents($file);
    $says === 'fail' ? http_response_code(503) : answer(chosen(explode(',', $says), $today));
}

/** Events for whoever signs in as “crew” with “bilge”, or has the token “tiller”. */
function membersOnly(DateTimeImmutable $today): void
{
    $told = (string) ($_SERVER['HTTP_AUTHORIZATION'] ?? '');
    in_array($told, ['Basic '.base64_encode('crew:bilge'), 'Bearer tiller'], true) ? answer(chosen(['Crew supper'], $today)) : http_response_code(401);
}

/** Who has the village hall, as a spreadsheet: from tomorrow on, a day each. */
function bookings(DateTimeImmutable $today): void
{
    require_once __DIR__.'/../vendor/autoload.php';
    header('Content-Type: '.XlsxWriter::MEDIA_TYPE);
    $stream = fopen('php://output', 'wb');
    assert($stream !== false);
    $day = static fn (int $days): string => $today->modify("+{$days} days")->format('d/m/Y');
    XlsxWriter::write($stream, [['Date', 'What', 'Time'], [$day(1), 'Choir', '19:00–21:00'], [$day(2), 'Parish council', '18:30'], [$day(3), 'Jumble sale', '10:00–14:00']]);
}

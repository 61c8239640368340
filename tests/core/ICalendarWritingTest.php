<?php

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\LineWriter;
use PinnedRota\Core\ICalendar\TimeZoneWriter;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;
use Tests\Support\RandomCalendar;

/** @param  list<Series>  $series */
function document(array $series): string
{
    $stream = Make::stream('');
    (new CalendarWriter($stream))->write('Random', $series, null);
    rewind($stream);

    return (string) stream_get_contents($stream);
}

/** @return array{list<Series>, int} the series, and how many problems reading them had */
function reread(string $text): array
{
    $diagnostics = new Diagnostics;
    $collector = new SeriesCollector;
    foreach ((new CalendarReader(Make::stream($text), $diagnostics, Zone::utc()))->events() as $event) {
        $collector->add($event);
    }

    return [$collector->series(), $diagnostics->total()];
}

/** @return list<string> */
function occurrenceLines(Series $series): array
{
    return array_map(
        static fn ($each): string => "{$each->startSeconds} {$each->endSeconds} {$each->recurrenceId?->indexSeconds()} {$each->event->contents->title} {$each->event->contents->status->value}",
        $series->occurrences(1_262_304_000, 2_000_000_000),
    );
}

test('what is written is strict, reads back the same, and writes the same octets again', function (int $seed) {
    mt_srand($seed);
    $series = RandomCalendar::series(150);
    $text = document($series);
    foreach (explode("\r\n", $text) as $line) {
        if (strlen($line) > 75 || ! mb_check_encoding($line, 'UTF-8') || preg_match('/[\x00-\x08\x0A-\x1F\x7F]/', $line) === 1) {
            $this->fail("seed {$seed}: not strict: {$line}");
        }
    }
    [$again, $problems] = reread($text);
    expect($problems)->toBe(0)->and(document($again))->toBe($text);
    shuffle($series);
    expect(document($series))->toBe($text);
    $byUid = [];
    foreach ($again as $each) {
        $byUid[$each->uid()] = $each;
    }
    foreach ($series as $each) {
        expect(occurrenceLines($byUid[$each->uid()]))->toBe(occurrenceLines($each), "seed {$seed}: {$each->uid()}");
    }
})->with([21, 22, 23]);

test('other readers of iCalendar read all that is written, and find the same instants by our time zones', function (string $reader, string $wrongly) {
    mt_srand(24);
    $all = RandomCalendar::series(200);
    $series = array_values(array_filter($all, static fn (Series $each): bool => $wrongly === '' || preg_match($wrongly, (string) ($each->master->timing->recurrence->rules[0] ?? '')) !== 1));
    expect(count($series))->toBeGreaterThan(190);
    $process = proc_open(explode(' ', $reader), [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, dirname(__DIR__, 2));
    fwrite($pipes[0], document($series));
    fclose($pipes[0]);
    $lines = json_decode((string) stream_get_contents($pipes[1]), true);
    expect(stream_get_contents($pipes[2]))->toBe('')->and(proc_close($process))->toBe(0);
    $expected = [];
    foreach ($series as $each) {
        foreach ($each->events() as $event) {
            $start = $event->timing->start;
            $expected[] = implode('|', [
                $event->uid, trim($event->contents->title),
                $start->kind->value === 'date' ? $start->local->toDate() : $start->local->toDateTime(),
                $start->zone === null ? '' : (string) $start->indexSeconds(),
            ]);
        }
    }
    sort($expected);
    expect($lines)->toBe($expected);
})->with([
    // It allows one digit before a weekday, where RFC 5545, 3.3.10 has two (ordwk): those rules it calls an error.
    'python3-icalendar' => ['/usr/bin/python3 tests/Support/read_ics.py', '/BYDAY=[^;]*\d\d/'],
    'ical.js' => ['node tests/Support/read-ics.mjs', ''],
]);

test('a time zone is written by its yearly rules where something goes on, and by its changes where it does not', function (string $zone, int $firstYear, ?int $lastYear, array $holds, array $lacks) {
    $stream = Make::stream('');
    (new TimeZoneWriter(new LineWriter($stream, PHP_INT_MAX)))->write(Zone::of($zone), $firstYear, $lastYear);
    rewind($stream);
    $text = str_replace("\r\n", "\n", (string) stream_get_contents($stream));
    foreach ($holds as $part) {
        expect($text)->toContain($part);
    }
    foreach ($lacks as $part) {
        expect($text)->not->toContain($part);
    }
})->with([
    'London, for ever' => ['Europe/London', 2026, null, ["DTSTART:20250330T010000\nRRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU\nTZNAME:BST\nTZOFFSETFROM:+0000\nTZOFFSETTO:+0100", 'RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU'], ['RDATE']],
    'London, in 2026' => ['Europe/London', 2026, 2026, ["RDATE:20260329T010000\nRDATE:20270328T010000"], ['RRULE', '2028']],
    'New York, for ever, from before its rule changed' => ['America/New_York', 2005, null, ["DTSTART:20070311T020000\nRRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU", "DTSTART:20071104T020000\nRRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU", 'DTSTART:20040404T020000'], ['RDATE:20070']],
    'Jerusalem, the Friday before the last Sunday' => ['Asia/Jerusalem', 2026, null, ['RRULE:FREQ=YEARLY;BYMONTH=3;BYMONTHDAY=23,24,25,26,27,28,29;BYDAY=FR'], []],
    'Casablanca, by no rule of our year' => ['Africa/Casablanca', 2026, null, ['RDATE'], ['RRULE']],
    'Kolkata, none' => ['Asia/Kolkata', 2026, null, ["TZOFFSETFROM:+0530\nTZOFFSETTO:+0530"], ['RRULE', 'RDATE', 'DAYLIGHT']],
]);

test('a written time zone means what PHP means by it, for every zone there is', function () {
    [$from, $to] = [CivilDate::toDays(2024, 1, 1) * 86_400, CivilDate::toDays(2060, 1, 1) * 86_400];
    $told = static fn (Zone $zone): array => array_map(static fn (array $change): array => [$change['at'], $change['to']], $zone->changes($from, $to));
    foreach (Zone::identifiers() as $name) {
        $stream = Make::stream('');
        (new TimeZoneWriter(new LineWriter($stream)))->write(Zone::of($name), 2025, null);
        rewind($stream);
        $text = str_replace("TZID:{$name}", 'TZID:Unknown thing', (string) stream_get_contents($stream));
        [[$series]] = reread("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-\r\n{$text}BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;TZID=Unknown thing:20260101T000000\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
        $again = $series->master->timing->start->zone;
        expect($told($again))->toBe($told(Zone::of($name)), $name)->and($again->offsetAt($from))->toBe(Zone::of($name)->offsetAt($from), $name);
    }
});

test('years are used as far as a series goes', function (string $rule, string $last) {
    $text = document([new Series(Make::event(start: '2026-11-02T09:30', rule: $rule, uid: 'x'))]);
    preg_match_all('/(?<=DTSTART:|RDATE:|,)(20\d\d)\d{4}T\d{6}/', (string) preg_replace('/\r\n /', '', $text), $years);
    expect(max($years[1]))->toBe($last);
})->with([
    'until a day' => ['FREQ=WEEKLY;UNTIL=20280301T093000Z', '2029'],
    'counted' => ['FREQ=MONTHLY;COUNT=40', '2031'],
    'within the year' => ['FREQ=WEEKLY;COUNT=3', '2027'],
]);

test('a duration is written as the RFC has it', function (string $text, string $written) {
    expect((string) PinnedRota\Core\Time\Duration::parse($text))->toBe($written)
        ->and(PinnedRota\Core\Time\Duration::parse($written))->toEqual(PinnedRota\Core\Time\Duration::parse($text));
})->with([['PT90M', 'PT5400S'], ['P1W', 'P7D'], ['-P1DT2H', '-P1DT7200S'], ['PT0S', 'PT0S'], ['P2D', 'P2D'], ['-PT15M', '-PT900S']]);

<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\StartApart;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\EventWriter;
use PinnedRota\Core\ICalendar\LineWriter;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\ICalendar\TimeZoneWriter;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;
use Tests\Support\RandomCalendar;

/** @param  list<Series>  $series */
function document(array $series): string
{
    return Make::document($series, new CalendarHead('Random'));
}

/** @return array{list<Series>, list<string>} the series, and what problems reading them had */
function reread(string $text): array
{
    return Make::series($text, 'UTC');
}

/**
 * The times of all series, and what is told of each.
 *
 * @param  list<Series>  $all
 * @return list<string>
 */
function occurrenceLines(array $all): array
{
    $lines = [];
    foreach ($all as $series) {
        foreach ($series->occurrences(1_262_304_000, 2_000_000_000) as $each) {
            $lines[] = "{$each->startSeconds} {$each->endSeconds} {$each->event->timing->endZone?->name} {$each->event->contents->title} {$each->event->contents->status->value}";
        }
    }
    sort($lines);

    return $lines;
}

/** @return array<string, Series> */
function byUid(array $all): array
{
    return array_column(array_map(static fn (Series $each): array => [$each->uid(), $each], $all), 1, 0);
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
    expect($problems)->toBe([])->and(document($again))->toBe($text);
    shuffle($series);
    expect(document($series))->toBe($text);
    $byUid = byUid($again);
    $apart = 0;
    foreach ($series as $each) {
        $sound = StartApart::of($each);
        $apart += count($sound) - 1;
        $read = array_map(static fn (Series $one): Series => $byUid[$one->uid()], $sound);
        expect(occurrenceLines($read))->toBe(occurrenceLines([$each]), "seed {$seed}: {$each->uid()}");
        foreach ($sound as $index => $one) {
            expect(array_map(eventLine(...), $read[$index]->events()))->toBe(array_map(eventLine(...), $one->events()), "seed {$seed}: {$each->uid()}");
        }
    }
    expect($apart)->toBeGreaterThan(10);
})->with([21, 22, 23]);

/** All that an event is. */
function eventLine(Event $event): string
{
    // Of two zones that are called the same one has a number in a file.
    return str_replace('Our yard (2)', 'Our yard', LineWriter::unfolded(static fn (LineWriter $writer) => (new EventWriter($writer))->write($event)));
}

/** Whether a reader can take a series at all. */
function readerTakes(string $reader, Series $series): bool
{
    $rule = (string) ($series->master->timing->recurrence->rules[0] ?? '');

    return match ($reader) {
        // It allows one digit before a weekday, where RFC 5545, 3.3.10 has two (ordwk), and no part that it does not know (RFC 7529): the rest it calls an error.
        'python3-icalendar' => preg_match('/BYDAY=[^;]*\d\d|SKIP/', $rule) !== 1,
        // It takes zones by their names alone, whatever their VTIMEZONE says.
        'sabre/vobject' => array_filter($series->events(), static fn (Event $each): bool => ($each->timing->start->zone?->observances() ?? []) !== []) === [],
        default => true,
    };
}

/**
 * Whether a reader says of a series what RFC 5545 says; the others expand by BY parts that limit, or know no BYSETPOS, otherwise.
 */
function readerExpands(string $reader, Event $event): bool
{
    $set = $event->timing->recurrence;
    $rule = (string) $set->rules[0];
    $isPlain = preg_match('/^FREQ=(DAILY|WEEKLY(;BYDAY=[A-Z,]+)?|MONTHLY(;BYMONTHDAY=[0-9,]+)?|YEARLY)(;WKST=..)?$/D', (string) preg_replace('/;(INTERVAL|COUNT|UNTIL)=[^;]*/', '', $rule)) === 1;

    return match ($reader) {
        // It reads a PERIOD on a zone's wall as though it were the machine's, and gives up early where hours meet days seldom; BYWEEKNO: see oracleErrs().
        'python3-icalendar' => preg_match('/BYWEEKNO|INTERVAL=\d{4}/', $rule) !== 1 && array_filter($set->extraDates, static fn ($each): bool => $each->end !== null) === [],
        // What is an extra date and a time of the rule, too, it tells twice.
        'ical.js' => $isPlain && $set->extraDates === [],
        default => $isPlain,
    };
}

/** @return list<string> the first starts of a series on its wall, less what is skipped; none where it has other than one plain rule */
function firstStarts(Event $event): array
{
    $set = $event->timing->recurrence;
    if (count($set->rules) !== 1 || str_contains((string) $set->rules[0], 'SKIP')) {
        return [];
    }
    $start = $event->timing->start;
    $found = [];
    for ($days = 40; count($found) < 8 && $days < 200_000; $days *= 4) {
        $found = $set->startsBetween($start, $start->indexSeconds() - 90_000, $start->indexSeconds() + $days * 86_400);
    }

    return array_map(static fn (EventTime $time): string => $time->kind === TimeKind::Date ? $time->local->toDate() : $time->local->toDateTime(), array_slice($found, 0, 8));
}

test('other readers of iCalendar read all that is written, find the same instants by our time zones, and expand it alike', function (string $reader, string $command, int $compared) {
    mt_srand(24);
    $series = array_values(array_filter(RandomCalendar::series(300), static fn (Series $each): bool => readerTakes($reader, $each)));
    expect(count($series))->toBeGreaterThan(220);
    $process = proc_open(explode(' ', $command), [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, dirname(__DIR__, 2));
    fwrite($pipes[0], document($series));
    fclose($pipes[0]);
    $lines = json_decode((string) stream_get_contents($pipes[1]), true);
    expect(stream_get_contents($pipes[2]))->toBe('')->and(proc_close($process))->toBe(0);
    $told = $expected = [];
    $expanded = 0;
    $found = [];
    foreach ($lines as [$uid, $title, $start, $instant, $end, $times]) {
        $found["{$uid} {$start} {$instant} {$title}"] = $times;
        $told[] = "{$uid}|{$title}|{$start}|{$instant}|{$end}";
    }
    foreach (array_merge(...array_map(StartApart::of(...), $series)) as $each) {
        foreach ($each->events() as $event) {
            $start = $event->timing->start;
            $wall = $start->kind === TimeKind::Date ? $start->local->toDate() : $start->local->toDateTime();
            $instant = $start->zone === null ? '' : (string) $start->indexSeconds();
            $title = $event->contents->title === EventContents::UNTITLED ? '' : trim($event->contents->title);
            $end = $event->timing->duration !== null || $start->zone === null || $event->timing->end->equals($start) ? '' : (string) $event->timing->end->indexSeconds();
            $expected[] = "{$event->uid}|{$title}|{$wall}|{$instant}|{$end}";
            $times = $found["{$event->uid} {$wall} {$instant} {$title}"] ?? [];
            if ($times !== [] && readerExpands($reader, $event)) {
                expect($times)->toBe(firstStarts($event), "{$event->uid}: {$wall} ".RecurrenceText::write($event->timing->recurrence));
                $expanded++;
            }
        }
    }
    sort($told);
    sort($expected);
    expect($told)->toBe($expected)->and($expanded)->toBeGreaterThan($compared);
})->with([
    ['python3-icalendar', '/usr/bin/python3 tests/Support/read_ics.py', 60],
    ['ical.js', 'node tests/Support/read-ics.mjs', 60],
    ['sabre/vobject', PHP_BINARY.' tests/Support/read_ics.php', 30],
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
    'over decades, by yearly rules' => ['FREQ=WEEKLY;UNTIL=20990301T093000Z', '2025'],
]);

test('a zone is described for as long as anything takes place in it', function () {
    $master = Make::event('Rowing', '2026-11-02T09:30', rule: 'FREQ=WEEKLY;UNTIL=20301104T093000Z', uid: 'x');
    $moved = new Event('x', EventTiming::between(Make::time('2026-11-16T10:00', 'America/New_York'), Make::time('2026-11-16T20:00', 'Asia/Jerusalem')), $master->contents, Make::time('2026-11-16T09:30'), true);
    $text = (string) preg_replace('/\r\n /', '', document([new Series($master, [$moved])]));
    foreach (['America/New_York', 'Asia/Jerusalem', 'Europe/London'] as $zone) {
        preg_match("#TZID:{$zone}\r\n.*?END:VTIMEZONE#s", $text, $described);
        preg_match_all('/RDATE:(\d{4})/', $described[0] ?? '', $years);
        expect(max($years[1]))->toBe('2031', $zone);
    }
});

test('a duration is written as the RFC has it', function (string $text, string $written) {
    expect((string) PinnedRota\Core\Time\Duration::parse($text))->toBe($written)
        ->and(PinnedRota\Core\Time\Duration::parse($written))->toEqual(PinnedRota\Core\Time\Duration::parse($text));
})->with([['PT90M', 'PT5400S'], ['P1W', 'P7D'], ['-P1DT2H', '-P1DT7200S'], ['PT0S', 'PT0S'], ['P2D', 'P2D'], ['-PT15M', '-PT900S']]);

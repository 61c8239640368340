<?php

use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Known;
use Tests\Support\Make;

/** A sound file with something of everything. */
function soundFile(): string
{
    $zone = "BEGIN:VTIMEZONE\r\nTZID:Our yard\r\nBEGIN:STANDARD\r\nDTSTART:19701025T030000\r\nRRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU\r\nTZOFFSETFROM:+0230\r\nTZOFFSETTO:+0130\r\nEND:STANDARD\r\nBEGIN:DAYLIGHT\r\nDTSTART:19700329T020000\r\nRDATE:19710328T020000,19720326T020000\r\nTZOFFSETFROM:+0130\r\nTZOFFSETTO:+0230\r\nEND:DAYLIGHT\r\nEND:VTIMEZONE\r\n";

    return str_replace("PRODID:-//Test//EN\r\n", "PRODID:-//Test//EN\r\nX-WR-TIMEZONE:Europe/Paris\r\n{$zone}", Make::calendar(
        "UID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Europe/London:20261102T093000\nDURATION:PT90M\nRRULE:FREQ=MONTHLY;BYDAY=2TU;COUNT=9\nEXDATE;TZID=Europe/London:20261208T093000\nSUMMARY:Splicing\\, wire\nCATEGORIES:a,b",
        "UID:1\nRECURRENCE-ID;TZID=Europe/London:20270112T093000\nDTSTART;TZID=Europe/London:20270113T093000\nSUMMARY:Moved",
        "UID:2\nDTSTART;VALUE=DATE:20261105\nDTEND;VALUE=DATE:20261107\nRDATE;VALUE=DATE:20261205,20270105\nSUMMARY:Days\nATTENDEE;CN=\"Quill, Ada\";PARTSTAT=ACCEPTED:mailto:ada@example.org",
        "UID:3\nDTSTART:20261105T120000Z\nDTEND:20261105T130000Z\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29\nX-ODD;X-P=^n^':kept",
        "UID:4\nDTSTART;TZID=Our yard:20261105T120000\nDURATION:P1DT2H\nRRULE:FREQ=MINUTELY;INTERVAL=7;BYHOUR=3,9;BYMINUTE=5,12;BYSETPOS=1;UNTIL=20270101T000000Z\nRDATE;VALUE=PERIOD;TZID=Our yard:20261107T090000/PT5H,20261108T090000/20261108T100000\nGEO:1;2\nBEGIN:VALARM\nACTION:DISPLAY\nTRIGGER;RELATED=END:-PT15M\nEND:VALARM",
        "UID:4\nRECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Our yard:20261112T090500\nDTSTART;TZID=Our yard:20261113T090000\nSUMMARY:From here on",
    ));
}

/** One of the ways in which files come to harm. */
function mutated(string $text): string
{
    $at = mt_rand(0, strlen($text) - 1);
    $lines = explode("\r\n", $text);
    $line = array_rand($lines);

    return match (mt_rand(0, 8)) {
        0 => substr($text, 0, mt_rand(0, 3) === 0 ? $at : mt_rand((int) (strlen($text) * 0.7), strlen($text))),
        1 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
        2 => substr_replace($text, random(mt_rand(1, 40)), $at, 0),
        3 => substr_replace($text, '', $at, mt_rand(1, 30)),
        4 => implode("\r\n", array_map(static fn (int $key): string => $lines[$key], (array) array_rand($lines, max(1, count($lines) - 3)))),
        5 => implode("\r\n", [...array_slice($lines, 0, $line), $lines[$line], ...array_slice($lines, $line)]),
        6 => str_replace(['COUNT=9', '2TU'], [(string) mt_rand(-5, 999_999_999_999), mt_rand(-60, 60).'TU'], $text),
        7 => preg_replace_callback('/\d{8}/', static fn (): string => sprintf('%08d', mt_rand(0, 99_999_999)), $text),
        default => strrev(substr($text, 0, $at)).substr($text, $at),
    };
}

function random(int $length): string
{
    $text = '';
    for ($index = 0; $index < $length; $index++) {
        $text .= chr(mt_rand(0, 255));
    }

    return $text;
}

test('a file that came to harm ends in events and problems, never in a fault', function (int $seed) {
    mt_srand($seed);
    $outcomes = ['read' => 0, 'problems' => 0, 'refused' => 0];
    for ($round = 0; $round < 400; $round++) {
        $text = soundFile();
        for ($harm = mt_rand(1, 4); $harm > 0; $harm--) {
            $text = mutated($text) ?: 'x';
        }
        $diagnostics = new Diagnostics;
        try {
            $plan = Plan::compare((new CalendarReader(Make::stream($text), $diagnostics, Zone::of('Europe/London')))->events(), new Known);
            $plan->counts();
        } catch (NotICalendar) {
            $outcomes['refused']++;

            continue;
        }
        $outcomes['read']++;
        $outcomes['problems'] += $diagnostics->total() > 0 ? 1 : 0;
        foreach ($plan as $planned) {
            $occurrences = $planned->series->occurrences(1_790_000_000, 1_800_000_000);
            $backwards = array_filter($occurrences, static fn ($each): bool => $each->endSeconds < $each->startSeconds);
            $starts = array_map(static fn ($each): int => $each->startSeconds, $occurrences);
            $sorted = $starts;
            sort($sorted);
            expect($backwards)->toBe([])->and($starts === $sorted)->toBeTrue("seed {$seed}, round {$round}: not in order");
        }
    }
    // Each outcome was met, or the test would prove less than it says.
    expect(min($outcomes))->toBeGreaterThan(0);
})->with([1, 2, 3, 4, 5]);

test('large and hostile files end in a result, in memory that does not grow with them', function (Closure $write, int $events, ?string $problem) {
    $path = tempnam(sys_get_temp_dir(), 'rota');
    $stream = fopen($path, 'w+');
    fwrite($stream, "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-\r\n");
    $write($stream);
    fwrite($stream, "END:VCALENDAR\r\n");
    rewind($stream);
    $before = memory_get_usage();
    memory_reset_peak_usage();
    $diagnostics = new Diagnostics;
    $read = 0;
    foreach ((new CalendarReader($stream, $diagnostics, Zone::utc()))->events() as $event) {
        $read++;
        expect(count($event->timing->recurrence->startsBetween($event->timing->start, 1_790_000_000, 1_790_100_000)))->toBeLessThan(200_001);
    }
    fclose($stream);
    unlink($path);
    expect($read)->toBe($events)->and(memory_get_peak_usage() - $before)->toBeLessThan(64_000_000);
    if ($problem !== null) {
        expect(implode("\n", array_map(strval(...), $diagnostics->all())))->toContain($problem);
    }
})->with([
    'nested 10,000 deep' => [fn ($stream) => fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\n".str_repeat("BEGIN:X-BOX\r\nX-A:1\r\n", 10_000).str_repeat("END:X-BOX\r\n", 10_000)."END:VEVENT\r\n"), 1, 'components nest too deep'],
    'ten thousand that do not end' => [fn ($stream) => fwrite($stream, str_repeat("BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\n", 10_000)), 10_000, 'and it is taken to end before that'],
    'a line of 20 MB' => [fn ($stream) => array_map(fn ($part) => fwrite($stream, $part), ["BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\nDESCRIPTION:", ...array_fill(0, 20, str_repeat('x', 1_000_000)), "\r\nSUMMARY:After\r\nEND:VEVENT\r\n"]), 1, 'line 7: the line is longer than'],
    'a line of 20 MB, folded' => [function ($stream): void {
        fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\nDESCRIPTION:x\r\n");
        for ($line = 0; $line < 270_000; $line++) {
            fwrite($stream, ' '.str_repeat('y', 73)."\r\n");
        }
        fwrite($stream, "SUMMARY:After\r\nEND:VEVENT\r\n");
    }, 1, 'the line is longer than'],
    'a million skipped dates, a line each' => [function ($stream): void {
        fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\nRRULE:FREQ=DAILY\r\n");
        for ($date = 0; $date < 1_000_000; $date++) {
            fwrite($stream, "EXDATE:20261102T090000Z\r\n");
        }
        fwrite($stream, "END:VEVENT\r\n");
    }, 1, 'the component has more than 20000 properties'],
    'a million skipped dates, on lines as long as may be' => [function ($stream): void {
        fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\nRRULE:FREQ=DAILY\r\n");
        for ($line = 0; $line < 5; $line++) {
            fwrite($stream, 'EXDATE:'.str_repeat('20261102T090000Z,', 200_000)."20261103T090000Z\r\n");
        }
        fwrite($stream, "END:VEVENT\r\n");
    }, 1, 'the event has too many dates'],
    'events that all wait for a zone' => [function ($stream): void {
        for ($event = 0; $event < 60_000; $event++) {
            fwrite($stream, "BEGIN:VEVENT\r\nUID:{$event}\r\nDTSTART;TZID=Nowhere:20261102T090000\r\nEND:VEVENT\r\n");
        }
    }, 60_000, 'the time zone “Nowhere” is unknown'],
    'a zone for each event' => [function ($stream): void {
        for ($event = 0; $event < 20_000; $event++) {
            fwrite($stream, "BEGIN:VTIMEZONE\r\nTZID:Z{$event}\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0130\r\nTZOFFSETTO:+0130\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\nBEGIN:VEVENT\r\nUID:{$event}\r\nDTSTART;TZID=Z{$event}:20261102T090000\r\nEND:VEVENT\r\n");
        }
    }, 20_000, 'is unknown'],
    'every second, by twenty rules' => [fn ($stream) => fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260102T090000Z\r\n".str_repeat("RRULE:FREQ=SECONDLY\r\n", 40)."END:VEVENT\r\n"), 1, 'it repeats every second without end'],
    'parameters without end' => [fn ($stream) => fwrite($stream, "BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261102T090000Z\r\nSUMMARY;".implode(';', array_map(fn ($n) => "X{$n}=y", range(1, 100_000))).":One\r\nEND:VEVENT\r\n"), 1, 'the parameters cannot be read'],
]);

test('every problem names its line, and their number is bounded', function () {
    $diagnostics = new Diagnostics;
    $events = str_repeat("BEGIN:VEVENT\r\nSUMMARY:No start\r\nEND:VEVENT\r\n", 2_000);
    $read = iterator_to_array((new CalendarReader(Make::stream("BEGIN:VCALENDAR\r\n{$events}END:VCALENDAR\r\n"), $diagnostics, Zone::utc()))->events());
    expect($read)->toBe([])->and($diagnostics->total())->toBe(2_002)->and($diagnostics->all())->toHaveCount(Diagnostics::LIMIT)
        ->and($diagnostics->all()[3]->line)->toBe(5);
});

<?php

use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** A sound file with something of everything. */
function soundFile(): string
{
    return Make::calendar(
        "UID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Europe/London:20261102T093000\nDURATION:PT90M\nRRULE:FREQ=MONTHLY;BYDAY=2TU;COUNT=9\nEXDATE;TZID=Europe/London:20261208T093000\nSUMMARY:Splicing\\, wire\nCATEGORIES:a,b",
        "UID:1\nRECURRENCE-ID;TZID=Europe/London:20270112T093000\nDTSTART;TZID=Europe/London:20270113T093000\nSUMMARY:Moved",
        "UID:2\nDTSTART;VALUE=DATE:20261105\nDTEND;VALUE=DATE:20261107\nRDATE;VALUE=DATE:20261205,20270105\nSUMMARY:Days\nATTENDEE;CN=\"Quill, Ada\";PARTSTAT=ACCEPTED:mailto:ada@example.org",
        "UID:3\nDTSTART:20261105T120000Z\nDTEND:20261105T130000Z\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29\nX-ODD;X-P=^n^':kept",
    );
}

/** One of the ways in which files come to harm. */
function mutated(string $text): string
{
    $at = mt_rand(0, strlen($text) - 1);
    $lines = explode("\r\n", $text);
    $line = array_rand($lines);

    return match (mt_rand(0, 8)) {
        0 => substr($text, 0, $at),
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
            $plan = Plan::compare((new CalendarReader(Make::stream($text), $diagnostics, Zone::of('Europe/London')))->events(), []);
        } catch (NotICalendar) {
            $outcomes['refused']++;

            continue;
        }
        $outcomes['read']++;
        $outcomes['problems'] += $diagnostics->total() > 0 ? 1 : 0;
        foreach ($plan->series as $planned) {
            $occurrences = $planned->series->occurrences(1_700_000_000, 1_900_000_000);
            foreach ($occurrences as $index => $occurrence) {
                expect($occurrence->endSeconds)->toBeGreaterThanOrEqual($occurrence->startSeconds)
                    ->and($index === 0 || $occurrences[$index - 1]->startSeconds <= $occurrence->startSeconds)->toBeTrue();
            }
        }
    }
    // Each outcome was met, or the test would prove less than it says.
    expect(min($outcomes))->toBeGreaterThan(0);
})->with([1, 2, 3, 4, 5]);

test('every problem names its line, and their number is bounded', function () {
    $diagnostics = new Diagnostics;
    $events = str_repeat("BEGIN:VEVENT\r\nSUMMARY:No start\r\nEND:VEVENT\r\n", 2_000);
    $read = iterator_to_array((new CalendarReader(Make::stream("BEGIN:VCALENDAR\r\n{$events}END:VCALENDAR\r\n"), $diagnostics, Zone::utc()))->events());
    expect($read)->toBe([])->and($diagnostics->total())->toBe(2_002)->and($diagnostics->all())->toHaveCount(Diagnostics::LIMIT)
        ->and($diagnostics->all()[3]->line)->toBe(5);
});

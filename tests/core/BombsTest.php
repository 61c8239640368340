<?php

use PinnedRota\Core\Events\Series;
use Tests\Support\Make;

// Small files that would cost much: each is read for what it can mean, and what is left out of it is said.

/** @return array{list<Series>, list<string>} */
function readBomb(string $text): array
{
    return Make::series($text);
}

test('a clock that changes by the day or oftener is none', function (string $frequency) {
    $zone = "BEGIN:VTIMEZONE\r\nTZID:Odd\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0000\r\nRRULE:FREQ={$frequency}\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n";
    [$series, $said] = readBomb("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n{$zone}BEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261101T000000Z\r\nDTSTART;TZID=Odd:20261101T090000\r\nSUMMARY:x\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
    expect(implode("\n", $said))->toContain("No clock is changed as often as {$frequency} says. (skipped)")
        ->and($series[0]->events()[0]->timing->start->zone?->name)->toBe('Europe/London');
})->with(['SECONDLY', 'MINUTELY', 'HOURLY', 'DAILY', 'WEEKLY']);

test('of ten thousand extra dates with a length each has its own', function () {
    $periods = implode(',', array_map(static fn (int $at): string => gmdate('Ymd\THis\Z', 1_793_523_600 + $at * 7200).'/PT'.($at % 59 + 1).'M', range(1, 10_000)));
    [$series] = readBomb(Make::calendar("UID:a\nDTSTART:20261101T090000Z\nDTEND:20261101T100000Z\nRDATE;VALUE=PERIOD:{$periods}\nSUMMARY:x"));
    $occurrences = $series[0]->occurrences(1_793_500_000, 1_793_500_000 + 900 * 86_400);
    expect($occurrences)->toHaveCount(10_001);
    foreach ([0, 1, 2, 58, 59, 9_999] as $at) {
        expect($occurrences[$at]->endSeconds - $occurrences[$at]->startSeconds)->toBe($at === 0 ? 3600 : ($at % 59 + 1) * 60);
    }
});

test('a length of a million days is left out', function () {
    [$series, $said] = readBomb(Make::calendar("UID:a\nDTSTART:20261101T090000Z\nDURATION:P1000000D\nSUMMARY:x"));
    expect($series[0]->events()[0]->timing->duration)->toBeNull()->and($said[0])->toContain('“P1000000D” is no duration. It is left out (skipped)');
});

test('of hundreds of described zones those beyond a bound are said to be unknown', function () {
    $zones = implode('', array_map(static fn (int $at): string => "BEGIN:VTIMEZONE\r\nTZID:Z{$at}\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0".($at % 9)."00\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n", range(1, 400)));
    [$series, $said] = readBomb("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n{$zones}BEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261101T000000Z\r\nDTSTART;TZID=Z399:20261101T090000\r\nSUMMARY:x\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
    expect($series)->toHaveCount(1)->and(implode("\n", $said))->toContain('the time zone “Z399” is unknown');
});

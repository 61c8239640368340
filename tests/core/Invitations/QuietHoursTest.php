<?php

use PinnedRota\Core\Invitations\QuietHours;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

test('it is over at its end, on the clock of whoever it is for', function (string $hours, string $now, ?string $over, string $zone = 'Europe/London') {
    $quiet = QuietHours::parse($hours);
    expect($quiet->over(Make::time($now, $zone)->indexSeconds(), Zone::of($zone)))->toBe($over === null ? null : Make::time($over, $zone)->indexSeconds());
})->with([
    'at its beginning' => ['22-7', '2026-12-01T22:00', '2026-12-02T07:00'],
    'before midnight' => ['22–7', '2026-12-01T23:30', '2026-12-02T07:00'],
    'after midnight' => ['22-7', '2026-12-02T00:10', '2026-12-02T07:00'],
    'at its end' => ['22-7', '2026-12-02T07:00', null],
    'by day' => ['22-7', '2026-12-02T12:00', null],
    'within a day' => ['12:15-13:45', '2026-12-02T12:30', '2026-12-02T13:45'],
    'outside of that' => ['12:15-13:45', '2026-12-02T13:45', null],
    'over the change to summer time' => ['22-7', '2027-03-27T23:00', '2027-03-28T07:00'],
    'over the change from it' => ['22-7', '2026-10-24T23:00', '2026-10-25T07:00'],
    'elsewhere' => ['22-7', '2026-12-02T03:00', '2026-12-02T07:00', 'Asia/Tokyo'],
]);

test('what is none is none', function (string $text) {
    expect(QuietHours::parse($text))->toBeNull();
})->with(['', 'always', '7-7', '24-7', '22', '22-25']);

<?php

use PinnedRota\Core\Notices\ReminderMoment;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

test('hours are exact, whole days are those of the clock, also over a clock change', function (string $start, int $minutes, string $moment, string $zone = 'Europe/London', int $travel = 0) {
    expect(gmdate('Y-m-d\TH:i', ReminderMoment::of(Make::time($start, null)->local, Zone::of($zone), $minutes, $travel)))->toBe($moment);
})->with([
    'when it starts' => ['2026-12-01T14:00', 0, '2026-12-01T14:00'],
    'minutes' => ['2026-12-01T14:00', 10, '2026-12-01T13:50'],
    'a day' => ['2026-12-01T14:00', 1440, '2026-11-30T14:00'],
    'when one leaves' => ['2026-12-01T14:00', 0, '2026-12-01T13:25', 'Europe/London', 35],
    'before one leaves' => ['2026-12-01T14:00', 10, '2026-12-01T13:15', 'Europe/London', 35],
    'a day before, whatever the way' => ['2026-12-01T14:00', 1440, '2026-11-30T14:00', 'Europe/London', 35],
    'longer than a day, whatever the way' => ['2026-12-01T14:00', 1500, '2026-11-30T13:00', 'Europe/London', 35],
    'leaving in the hour that clocks leave out' => ['2026-03-29T02:30', 0, '2026-03-29T00:40', 'Europe/London', 50],
    'elsewhere' => ['2026-12-01T14:00', 60, '2026-12-01T04:00', 'Asia/Tokyo'],
    // On 29 March 2026 clocks go forward at 1:00, on 25 October back at 2:00.
    'a day into summer time' => ['2026-03-29T09:00', 1440, '2026-03-28T09:00'],
    'an hour into summer time' => ['2026-03-29T02:30', 60, '2026-03-29T00:30'],
    'a day out of it' => ['2026-10-25T09:00', 1440, '2026-10-24T08:00'],
    'twelve hours out of it' => ['2026-10-25T09:00', 720, '2026-10-24T21:00'],
    'two weeks over both' => ['2026-11-02T09:00', 20_160, '2026-10-19T08:00'],
]);

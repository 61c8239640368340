<?php

use PinnedRota\Core\Notices\DigestMoment;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

beforeEach(function () {
    $this->day = fn (string $date): int => LocalDateTime::parse($date)->day();
    /** The days of the digests that come while the clock goes from one moment to another, minute by minute, and when. */
    $this->come = function (string $from, string $to, string $zone, int $hour, ?int $weekday = null): array {
        [$last, $came] = [null, []];
        for ($now = strtotime("{$from} UTC"); $now < strtotime("{$to} UTC"); $now += 60) {
            $day = DigestMoment::due($now, Zone::of($zone), $hour, $weekday, $last);
            if ($day !== null) {
                [$last, $came[]] = [$day, LocalDateTime::midnight($day)->toDate().' at '.gmdate('D H:i', $now)];
            }
        }

        return $came;
    };
});

test('it comes once a day at an hour of the clock, also where that is skipped or comes twice', function () {
    expect(($this->come)('2026-11-28 00:00', '2026-12-01 00:00', 'Europe/London', 7))->toBe(['2026-11-28 at Sat 07:00', '2026-11-29 at Sun 07:00', '2026-11-30 at Mon 07:00'])
        // Clocks go forward on the 28th of March at 1:00, back on the 25th of October at 2:00.
        ->and(($this->come)('2027-03-27 13:00', '2027-03-29 12:00', 'Europe/London', 1))->toBe(['2027-03-28 at Sun 01:00', '2027-03-29 at Mon 00:00'])
        ->and(($this->come)('2026-10-24 12:30', '2026-10-26 12:00', 'Europe/London', 1))->toBe(['2026-10-25 at Sun 00:00', '2026-10-26 at Mon 01:00'])
        ->and(($this->come)('2026-10-24 06:30', '2026-10-26 06:00', 'Europe/London', 7))->toBe(['2026-10-24 at Sat 06:30', '2026-10-25 at Sun 07:00']);
});

test('a weekly one comes on its day', function () {
    expect(($this->come)('2026-11-28 12:00', '2026-12-15 00:00', 'America/New_York', 18, 4))->toBe(['2026-12-04 at Fri 23:00', '2026-12-11 at Fri 23:00']);
});

test('what was missed comes late for half a day, and then with the next', function () {
    $zone = Zone::of('Europe/London');
    $last = ($this->day)('2026-11-27');
    expect(DigestMoment::due(strtotime('2026-11-28 18:59 UTC'), $zone, 7, null, $last))->toBe(($this->day)('2026-11-28'))
        ->and(DigestMoment::due(strtotime('2026-11-28 19:00 UTC'), $zone, 7, null, $last))->toBeNull()
        ->and(DigestMoment::due(strtotime('2026-11-29 00:30 UTC'), $zone, 22, null, $last))->toBe(($this->day)('2026-11-28'))
        ->and(DigestMoment::due(strtotime('2026-11-28 08:00 UTC'), $zone, 7, null, ($this->day)('2026-11-28')))->toBeNull();
});

test('it says when the next comes', function () {
    $next = fn (string $now, int $hour, ?int $weekday = null): string => gmdate('D d H:i', DigestMoment::next(strtotime("{$now} UTC"), Zone::of('Europe/London'), $hour, $weekday));
    expect($next('2026-11-28 06:59', 7))->toBe('Sat 28 07:00')->and($next('2026-11-28 07:00', 7))->toBe('Sun 29 07:00')->and($next('2026-11-28 07:00', 7, 5))->toBe('Sat 05 07:00')->and($next('2026-11-28 07:00', 7, 0))->toBe('Mon 30 07:00');
});

<?php

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

$utc = fn (string $wall, string $zone): string => gmdate('Y-m-d\TH:i', Zone::of($zone)->toUtc(LocalDateTime::parse($wall)->seconds));

test('day numbers and dates agree with PHP over four centuries', function () {
    foreach ([-200_000, -1, 0, 11_016, 20_000, 47_540, 90_000, 150_000] as $days) {
        $date = gmdate('Y-n-j', $days * 86400);
        expect(implode('-', CivilDate::fromDays($days)))->toBe($date)
            ->and(CivilDate::toDays(...array_map(intval(...), explode('-', ltrim($date, '-')))))->toBe($days)
            ->and(CivilDate::weekday($days) + 1)->toBe((int) gmdate('N', $days * 86400));
    }
});

test('a wall time becomes the instant it means', function (string $wall, string $zone, string $expected) use ($utc) {
    expect($utc($wall, $zone))->toBe($expected);
})->with([
    'winter' => ['2026-01-10T09:00', 'Europe/London', '2026-01-10T09:00'],
    'summer' => ['2026-07-10T09:00', 'Europe/London', '2026-07-10T08:00'],
    'in the gap, read with the offset before it' => ['2026-03-29T01:30', 'Europe/London', '2026-03-29T01:30'],
    'in the gap of another zone' => ['2026-03-08T02:30', 'America/New_York', '2026-03-08T07:30'],
    'in the doubled hour, the first of the two' => ['2026-10-25T01:30', 'Europe/London', '2026-10-25T00:30'],
    'in the doubled hour of another zone' => ['2026-11-01T01:30', 'America/New_York', '2026-11-01T05:30'],
    'after the doubled hour' => ['2026-10-25T02:00', 'Europe/London', '2026-10-25T02:00'],
    'a gap of half an hour' => ['2026-10-04T02:15', 'Australia/Lord_Howe', '2026-10-03T15:45'],
    'a doubled half hour' => ['2026-04-05T01:45', 'Australia/Lord_Howe', '2026-04-04T14:45'],
    'clocks that go back for a month' => ['2026-02-20T12:00', 'Africa/Casablanca', '2026-02-20T12:00'],
    'the month after' => ['2026-04-20T12:00', 'Africa/Casablanca', '2026-04-20T11:00'],
    'a zone without changes' => ['2026-07-10T09:00', 'Asia/Kolkata', '2026-07-10T03:30'],
    'far in the future' => ['2199-07-10T09:00', 'Europe/London', '2199-07-10T08:00'],
    'far in the past' => ['1850-01-01T00:00', 'UTC', '1850-01-01T00:00'],
]);

test('every wall time comes back from its instant, but for those that do not exist', function () {
    $zone = Zone::of('Europe/London');
    for ($local = LocalDateTime::parse('2026-03-28')->seconds; $local < LocalDateTime::parse('2026-03-31')->seconds; $local += 900) {
        $exists = $local < LocalDateTime::parse('2026-03-29T01:00')->seconds || $local >= LocalDateTime::parse('2026-03-29T02:00')->seconds;
        expect($zone->toLocal($zone->toUtc($local)) === $local)->toBe($exists);
    }
});

test('zones are found by IANA name in any case and by the names desktop programs write', function () {
    expect(Zone::of('europe/london')->name)->toBe('Europe/London')
        ->and(Zone::of('GMT Standard Time')->name)->toBe('Europe/London')
        ->and(Zone::of('"Pacific Standard Time"')->name)->toBe('America/Los_Angeles')
        ->and(Zone::find('Middle of Nowhere'))->toBeNull()
        ->and(Zone::find('+01:00'))->toBeNull()
        ->and(Zone::find(''))->toBeNull();
    Zone::of('Atlantis/Capital');
})->throws(InvalidTime::class, 'No time zone is called “Atlantis/Capital”.');

test('a nominal day keeps the wall time over a clock change, 24 hours do not', function () {
    $before = Make::time('2026-03-28T12:00');
    expect(Duration::parse('P1D')->addTo($before)->local->toDateTime())->toBe('2026-03-29T12:00:00')
        ->and(Duration::parse('PT24H')->addTo($before)->local->toDateTime())->toBe('2026-03-29T13:00:00')
        ->and(Duration::parse('P1W')->days)->toBe(7)
        ->and(Duration::parse('-PT15M')->seconds)->toBe(-900);
});

test('what is no date, time or duration is refused', function (Closure $make) {
    expect($make)->toThrow(InvalidTime::class);
})->with([
    '30 February' => [fn () => LocalDateTime::parse('2026-02-30')],
    '29 February of a common year' => [fn () => LocalDateTime::parse('2026-02-29')],
    'hour 24' => [fn () => LocalDateTime::parse('2026-02-01T24:00')],
    'words' => [fn () => LocalDateTime::parse('tomorrow')],
    'year 0' => [fn () => LocalDateTime::parse('0000-01-01')],
    'an empty duration' => [fn () => Duration::parse('P')],
    'a duration of no parts' => [fn () => Duration::parse('PT')],
]);

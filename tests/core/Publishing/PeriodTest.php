<?php

declare(strict_types=1);

use PinnedRota\Core\Publishing\InvalidPeriod;
use PinnedRota\Core\Publishing\Period;
use PinnedRota\Core\Time\LocalDateTime;

/** @return ?array{string, string} */
function published(Period $period, string $from, string $to, string $today = '2026-11-27', int $firstMonth = 9): ?array
{
    $within = $period->within(LocalDateTime::parse($from), LocalDateTime::parse($to), LocalDateTime::parse($today), $firstMonth);

    return $within === null ? null : [$within[0]->toDate(), $within[1]->toDate()];
}

test('all of it is published, however far away', function () {
    expect(published(Period::all(), '1970-01-01', '2199-01-01'))->toBe(['1970-01-01', '2199-01-01']);
});

test('whole weeks are published, that of today among them', function (string $today) {
    expect(published(Period::weeks(0, 0), '2026-11-01', '2026-12-31', $today))->toBe(['2026-11-23', '2026-11-30'])
        ->and(published(Period::weeks(1, 2), '2026-11-01', '2026-12-31', $today))->toBe(['2026-11-16', '2026-12-14'])
        ->and(published(Period::weeks(1, 2), '2026-11-20', '2026-11-25', $today))->toBe(['2026-11-20', '2026-11-25']);
})->with(['2026-11-23', '2026-11-27', '2026-11-29']);

test('before 1970, too, a week begins on Monday', function () {
    expect(published(Period::weeks(0, 0), '1968-01-01', '1971-01-01', '1969-12-31'))->toBe(['1969-12-29', '1970-01-05'])
        ->and(published(Period::weeks(0, 0), '1968-01-01', '1971-01-01', '1969-12-20'))->toBe(['1969-12-15', '1969-12-22']);
});

test('the school’s year goes from its first month to before the same of the next', function () {
    expect(published(Period::schoolYear(), '2020-01-01', '2030-01-01'))->toBe(['2026-09-01', '2027-09-01'])
        ->and(published(Period::schoolYear(), '2020-01-01', '2030-01-01', '2026-08-31'))->toBe(['2025-09-01', '2026-09-01'])
        ->and(published(Period::schoolYear(), '2020-01-01', '2030-01-01', '2026-09-01'))->toBe(['2026-09-01', '2027-09-01'])
        ->and(published(Period::schoolYear(), '2020-01-01', '2030-01-01', '2026-11-27', 1))->toBe(['2026-01-01', '2027-01-01']);
});

test('of a window beyond it nothing is', function () {
    expect(published(Period::weeks(0, 1), '2026-12-07', '2026-12-14'))->toBeNull()
        ->and(published(Period::weeks(0, 1), '2026-12-06', '2026-12-14'))->toBe(['2026-12-06', '2026-12-07'])
        ->and(published(Period::schoolYear(), '2027-09-01', '2027-10-01'))->toBeNull();
});

test('there are no fewer weeks than none, and not too many', function (int $back, int $on) {
    expect(fn () => Period::weeks($back, $on))->toThrow(InvalidPeriod::class);
})->with([[-1, 0], [0, -1], [261, 0], [0, 261]]);

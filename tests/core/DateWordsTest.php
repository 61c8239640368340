<?php

use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

test('a date is read as people type it', function (string $words, ?string $expected) {
    // A Wednesday.
    expect(DateWords::read($words, LocalDateTime::parse('2026-11-25'))?->toDate())->toBe($expected);
})->with([
    ['today', '2026-11-25'], ['Tomorrow', '2026-11-26'], ['yesterday', '2026-11-24'], ['next week', '2026-11-30'], ['last week', '2026-11-16'],
    ['wed', '2026-11-25'], ['Tue', '2026-12-01'], ['thurs', '2026-11-26'], ['sunday', '2026-11-29'], ['next tue', '2026-12-01'], ['next fri', '2026-12-04'],
    ['last wed', '2026-11-18'], ['last tuesday', '2026-11-24'], ['last mon', '2026-11-23'], ['this mon', '2026-11-23'],
    ['in 3 days', '2026-11-28'], ['in 1 week', '2026-12-02'], ['2 weeks ago', '2026-11-11'],
    ['14 mar', '2027-03-14'], ['14th of March', '2027-03-14'], ['march 14', '2027-03-14'], ['14 mar 2025', '2025-03-14'], ['1 nov', '2026-11-01'], ['1 sept', '2027-09-01'],
    ['december', '2026-12-01'], ['dec 2028', '2028-12-01'], ['29 feb', '2028-02-29'], ['29 feb 2027', null],
    ['2026-12-24', '2026-12-24'], ['24.12.', '2026-12-24'], ['2/11', '2026-11-02'], ['2/11/2030', '2030-11-02'], ['31/2', null],
    ['tuesdayish', null], ['marching', null], ['rigging test', null], ['may', '2027-05-01'], ['sat nav', null], ['', null], ['99', null], ['in 9999 days', null],
]);

test('where the month comes first it does', function () {
    expect(DateWords::read('2/11', LocalDateTime::parse('2026-11-25'), false)?->toDate())->toBe('2027-02-11');
});

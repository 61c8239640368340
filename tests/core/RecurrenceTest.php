<?php

use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Recurrence\WeeklyRepeat;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/** @return list<string> */
function starts(string $rule, string $start, string $from = '1990-01-01', string $to = '2100-01-01', ?string $zone = 'America/New_York', int $most = 400): array
{
    $set = new RecurrenceSet([(new RuleParser)->parse($rule)]);
    $times = $set->startsBetween(Make::time($start, $zone), LocalDateTime::parse($from)->seconds, LocalDateTime::parse($to)->seconds);

    return array_map(static fn (EventTime $time): string => strlen($start) === 10 ? $time->local->toDate() : substr($time->local->toDateTime(), 0, 16), array_slice($times, 0, $most));
}

test('the examples of RFC 5545, 3.8.5.3', function (string $rule, string $start, array $expected) {
    expect(array_slice(starts($rule, $start), 0, count($expected)))->toBe(array_map(static fn (string $day): string => strlen($day) > 10 ? $day : $day.'T09:00', $expected));
    if (preg_match('/COUNT=(\d+)/', $rule, $count) === 1) {
        expect(starts($rule, $start))->toHaveCount((int) $count[1]);
    }
})->with([
    'daily for 10' => ['FREQ=DAILY;COUNT=10', '1997-09-02T09:00', ['1997-09-02', '1997-09-03', '1997-09-04', '1997-09-05', '1997-09-06', '1997-09-07', '1997-09-08', '1997-09-09', '1997-09-10', '1997-09-11']],
    'every 10 days, 5 times' => ['FREQ=DAILY;INTERVAL=10;COUNT=5', '1997-09-02T09:00', ['1997-09-02', '1997-09-12', '1997-09-22', '1997-10-02', '1997-10-12']],
    'every day in January' => ['FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA', '1998-01-01T09:00', ['1998-01-01', '1998-01-02', '1998-01-03']],
    'every other week' => ['FREQ=WEEKLY;INTERVAL=2;WKST=SU', '1997-09-02T09:00', ['1997-09-02', '1997-09-16', '1997-09-30', '1997-10-14']],
    'every other week on three days' => ['FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR', '1997-09-01T09:00', ['1997-09-01', '1997-09-03', '1997-09-05', '1997-09-15', '1997-09-17', '1997-09-19', '1997-09-29']],
    'first Friday' => ['FREQ=MONTHLY;COUNT=10;BYDAY=1FR', '1997-09-05T09:00', ['1997-09-05', '1997-10-03', '1997-11-07', '1997-12-05']],
    'first and last Sunday, every other month' => ['FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU', '1997-09-07T09:00', ['1997-09-07', '1997-09-28', '1997-11-02', '1997-11-30', '1998-01-04', '1998-01-25', '1998-03-01', '1998-03-29']],
    'second-last Monday' => ['FREQ=MONTHLY;COUNT=6;BYDAY=-2MO', '1997-09-22T09:00', ['1997-09-22', '1997-10-20', '1997-11-17', '1997-12-22', '1998-01-19', '1998-02-16']],
    'third-last day' => ['FREQ=MONTHLY;BYMONTHDAY=-3', '1997-09-28T09:00', ['1997-09-28', '1997-10-29', '1997-11-28', '1997-12-29', '1998-01-29', '1998-02-26']],
    'first and last day' => ['FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1', '1997-09-30T09:00', ['1997-09-30', '1997-10-01', '1997-10-31', '1997-11-01', '1997-11-30']],
    'every 18 months on the 10th to 15th' => ['FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15', '1997-09-10T09:00', ['1997-09-10', '1997-09-11', '1997-09-12', '1997-09-13', '1997-09-14', '1997-09-15', '1999-03-10', '1999-03-11']],
    'every 3rd year, days 1, 100, 200' => ['FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200', '1997-01-01T09:00', ['1997-01-01', '1997-04-10', '1997-07-19', '2000-01-01', '2000-04-09', '2000-07-18', '2003-01-01']],
    '20th Monday of the year' => ['FREQ=YEARLY;BYDAY=20MO', '1997-05-19T09:00', ['1997-05-19', '1998-05-18', '1999-05-17']],
    'Monday of week 20' => ['FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', '1997-05-12T09:00', ['1997-05-12', '1998-05-11', '1999-05-17']],
    'Thursdays in March' => ['FREQ=YEARLY;BYMONTH=3;BYDAY=TH', '1997-03-13T09:00', ['1997-03-13', '1997-03-20', '1997-03-27', '1998-03-05']],
    'Friday the 13th' => ['FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', '1998-02-13T09:00', ['1998-02-13', '1998-03-13', '1998-11-13', '1999-08-13', '2000-10-13']],
    'first Saturday after the first Sunday' => ['FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13', '1997-09-13T09:00', ['1997-09-13', '1997-10-11', '1997-11-08', '1997-12-13']],
    'election day' => ['FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8', '1996-11-05T09:00', ['1996-11-05', '2000-11-07', '2004-11-02']],
    'third of Tuesday to Thursday' => ['FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3', '1997-09-04T09:00', ['1997-09-04', '1997-10-07', '1997-11-06']],
    'second-last weekday' => ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2', '1997-09-29T09:00', ['1997-09-29', '1997-10-30', '1997-11-27', '1997-12-30', '1998-01-29']],
    'every 3 hours within a day' => ['FREQ=HOURLY;INTERVAL=3;UNTIL=19970902T210000Z', '1997-09-02T09:00', ['1997-09-02T09:00', '1997-09-02T12:00', '1997-09-02T15:00']],
    'every 90 minutes' => ['FREQ=MINUTELY;INTERVAL=90;COUNT=4', '1997-09-02T09:00', ['1997-09-02T09:00', '1997-09-02T10:30', '1997-09-02T12:00', '1997-09-02T13:30']],
    'every 20 minutes of a working day' => ['FREQ=MINUTELY;INTERVAL=20;BYHOUR=9,10,11,12,13,14,15,16', '1997-09-02T09:00', ['1997-09-02T09:00', '1997-09-02T09:20', '1997-09-02T09:40', '1997-09-02T10:00']],
    'week start matters, Monday' => ['FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO', '1997-08-05T09:00', ['1997-08-05', '1997-08-10', '1997-08-19', '1997-08-24']],
    'week start matters, Sunday' => ['FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU', '1997-08-05T09:00', ['1997-08-05', '1997-08-17', '1997-08-19', '1997-08-31']],
    'days that do not exist are left out' => ['FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5', '2007-01-15T09:00', ['2007-01-15', '2007-01-30', '2007-02-15', '2007-03-15', '2007-03-30']],
]);

test('UNTIL is inclusive: as an instant, as a date, as a floating time', function (string $rule, int $count) {
    expect(starts($rule, '2026-11-02T09:30', zone: 'Europe/London'))->toHaveCount($count);
})->with([
    'the very instant' => ['FREQ=DAILY;UNTIL=20261104T093000Z', 3],
    'a second before' => ['FREQ=DAILY;UNTIL=20261104T092959Z', 2],
    'the day of the last' => ['FREQ=DAILY;UNTIL=20261104', 3],
    'floating' => ['FREQ=DAILY;UNTIL=20261104T093000', 3],
    'before it begins: DTSTART stands all the same' => ['FREQ=DAILY;UNTIL=20261001', 1],
]);

test('a weekly series keeps its wall time over both clock changes', function (string $zone, string $start, string $before, string $after) {
    $times = (new RecurrenceSet([(new RuleParser)->parse('FREQ=WEEKLY')]))->startsBetween(Make::time($start, $zone), 0, LocalDateTime::parse('2027-01-01')->seconds);
    $offsets = [];
    foreach ($times as $time) {
        expect(substr($time->local->toDateTime(), 11, 5))->toBe(substr($start, 11));
        $offsets[gmdate('H:i', $time->indexSeconds())] = true;
    }
    expect(array_keys($offsets))->toContain($before, $after);
})->with([
    ['Europe/London', '2026-01-05T09:00', '09:00', '08:00'],
    ['America/New_York', '2026-01-05T09:00', '14:00', '13:00'],
    ['Australia/Lord_Howe', '2026-01-05T09:00', '22:00', '22:30'],
    ['Africa/Casablanca', '2026-01-05T09:00', '08:00', '09:00'],
]);

test('a window is the same as that window cut from the whole, and windows side by side make it up', function (string $rule) {
    $whole = starts($rule, '2019-05-07T09:00', '2019-01-01', '2029-01-01', most: 100_000);
    expect($whole)->toBe(array_values(array_unique($whole)));
    $cuts = ['2019-01-01', '2019-05-08', '2020-02-29', '2022-12-31', '2023-01-01', '2026-06-15', '2029-01-01'];
    $joined = [];
    for ($index = 1; $index < count($cuts); $index++) {
        array_push($joined, ...starts($rule, '2019-05-07T09:00', $cuts[$index - 1], $cuts[$index], most: 100_000));
    }
    expect($joined)->toBe($whole)->and(count($whole))->toBeGreaterThan(0);
})->with([
    'FREQ=DAILY;INTERVAL=3', 'FREQ=DAILY;COUNT=900', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,SA', 'FREQ=WEEKLY;COUNT=300;BYDAY=MO,WE,FR', 'FREQ=MONTHLY;BYDAY=2TU',
    'FREQ=MONTHLY;BYMONTHDAY=-1', 'FREQ=MONTHLY;COUNT=50;BYMONTHDAY=31', 'FREQ=YEARLY;BYWEEKNO=1,53;BYDAY=SA,MO', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29', 'FREQ=HOURLY;INTERVAL=7;BYDAY=SU',
    'FREQ=DAILY;BYMONTH=3,10;BYSETPOS=1', 'FREQ=YEARLY;BYYEARDAY=-1,366', 'FREQ=MONTHLY;INTERVAL=5;BYDAY=MO,TU;BYSETPOS=-1,2',
]);

test('a rule that yields nothing ends, and so does one that yields without end', function () {
    expect(starts('FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', '2026-01-01T09:00'))->toBe(['2026-01-01T09:00'])
        ->and(starts('FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', '2026-01-01T09:00'))->toBe(['2026-01-01T09:00'])
        ->and(starts('FREQ=SECONDLY', '2026-01-01T09:00', '2026-01-01', '2027-01-01', most: PHP_INT_MAX))->toHaveCount(200_000)
        ->and(starts('FREQ=DAILY;INTERVAL=999999999', '2026-01-01T09:00'))->toHaveCount(1);
});

test('extra dates join the set, skipped ones leave it', function () {
    $set = new RecurrenceSet(
        [(new RuleParser)->parse('FREQ=WEEKLY;COUNT=3')],
        [new ExtraDate(Make::time('2026-11-04T14:00')), new ExtraDate(Make::time('2026-12-01'))],
        [Make::time('2026-11-09T09:30'), Make::time('2026-11-16')],
    );
    $times = $set->startsBetween(Make::time('2026-11-02T09:30'), 0, LocalDateTime::parse('2027-01-01')->seconds);
    expect(array_map(static fn (EventTime $time): string => $time->local->toDateTime(), $times))
        ->toBe(['2026-11-02T09:30:00', '2026-11-04T14:00:00', '2026-12-01T09:30:00']);
});

test('what the RFC forbids in a rule is refused', function (string $rule) {
    expect(fn () => (new RuleParser)->parse($rule))->toThrow(InvalidRule::class);
})->with([
    '', 'FREQ=FORTNIGHTLY', 'FREQ=DAILY;COUNT=2;UNTIL=20260101', 'FREQ=DAILY;COUNT=0', 'FREQ=DAILY;INTERVAL=-1', 'FREQ=DAILY;BYMONTH=13', 'FREQ=WEEKLY;BYMONTHDAY=1',
    'FREQ=MONTHLY;BYWEEKNO=3', 'FREQ=DAILY;BYDAY=2MO', 'FREQ=DAILY;FREQ=WEEKLY', 'FREQ=DAILY;BYDAY=XX', 'FREQ=DAILY;UNTIL=soon', 'FREQ=DAILY;RSCALE=GREGORIAN', 'FREQ=YEARLY;BYWEEKNO=3;BYDAY=1MO',
]);

test('a rule comes back from its text', function (string $rule) {
    expect((string) (new RuleParser)->parse($rule))->toBe($rule);
})->with(['FREQ=DAILY', 'FREQ=WEEKLY;INTERVAL=2;UNTIL=20261224T235959Z;BYDAY=MO,TH', 'FREQ=MONTHLY;COUNT=3;BYDAY=2TU,-1FR', 'FREQ=YEARLY;BYMONTH=1,6;BYMONTHDAY=-1,1;BYSETPOS=1;WKST=SU']);

test('a weekly repeat becomes a rule and is known again', function () {
    $start = Make::time('2026-11-03T09:30');
    $repeat = new WeeklyRepeat(2, [3, 1], LocalDateTime::parse('2026-12-17'));
    $rule = $repeat->toRule($start);
    expect((string) $rule)->toBe('FREQ=WEEKLY;INTERVAL=2;UNTIL=20261217T235959Z;BYDAY=TU,TH')
        ->and(WeeklyRepeat::fromRule($rule, $start))->weekdays->toBe([1, 3])->until->toDate()->toBe('2026-12-17')
        ->and($repeat->shiftedBy(5)->weekdays)->toBe([1, 6])
        ->and(WeeklyRepeat::fromRule((new RuleParser)->parse('FREQ=WEEKLY'), $start)->weekdays)->toBe([1])
        ->and(WeeklyRepeat::fromRule((new RuleParser)->parse('FREQ=WEEKLY;BYMONTH=3'), $start))->toBeNull()
        ->and(WeeklyRepeat::fromRule((new RuleParser)->parse('FREQ=MONTHLY;BYDAY=MO'), $start))->toBeNull();
});

test('rules are told in words', function (string $rule, string $words) {
    expect(RuleWords::of((new RuleParser)->parse($rule), Make::time('2026-11-03T09:30')))->toBe($words);
})->with([
    ['FREQ=WEEKLY', 'every week on Tuesday'],
    ['FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,WE,FR;UNTIL=20261218T235959Z', 'every other week on Monday, Wednesday and Friday until 18 December 2026'],
    ['FREQ=MONTHLY;BYDAY=2TU;COUNT=5', 'every month on the second Tuesday, 5 times'],
    ['FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=-1', 'every 3 months on day last'],
    ['FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU', 'every year on the last Sunday in March'],
]);

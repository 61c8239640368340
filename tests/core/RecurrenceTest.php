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

test('UNTIL is inclusive: as an instant, as a date, as a floating time', function (string $rule, int $count) {
    expect(starts($rule, '2026-11-02T09:30', zone: 'Europe/London'))->toHaveCount($count);
})->with([
    'the very instant' => ['FREQ=DAILY;UNTIL=20261104T093000Z', 3],
    'a second before' => ['FREQ=DAILY;UNTIL=20261104T092959Z', 2],
    'the day of the last' => ['FREQ=DAILY;UNTIL=20261104', 3],
    'floating' => ['FREQ=DAILY;UNTIL=20261104T093000', 3],
    'before it begins: DTSTART stands all the same' => ['FREQ=DAILY;UNTIL=20261001', 1],
]);

test('DTSTART is the first occurrence where the rule does not produce it, and one of the COUNT', function (string $rule, array $expected) {
    expect(starts($rule, '2026-11-03T09:30'))->toBe($expected);
})->with([
    'counted' => ['FREQ=WEEKLY;BYDAY=FR;COUNT=3', ['2026-11-03T09:30', '2026-11-06T09:30', '2026-11-13T09:30']],
    'counted once' => ['FREQ=WEEKLY;BYDAY=FR;COUNT=1', ['2026-11-03T09:30']],
    'a rule that yields nothing' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', ['2026-11-03T09:30']],
    'a rule that produces it' => ['FREQ=WEEKLY;BYDAY=TU;COUNT=2', ['2026-11-03T09:30', '2026-11-10T09:30']],
    'at another time of day' => ['FREQ=DAILY;BYHOUR=8;UNTIL=20261105T220000Z', ['2026-11-03T09:30', '2026-11-04T08:30', '2026-11-05T08:30']],
]);

test('without end means up to a bound, not for ever', function () {
    expect(starts('FREQ=SECONDLY', '2026-01-01T09:00', '2026-01-01', '2027-01-01', most: PHP_INT_MAX))->toHaveCount(200_000)
        ->and(starts('FREQ=DAILY;INTERVAL=999999999', '2026-01-01T09:00'))->toHaveCount(1);
});

test('whole days that repeat by the hour are days', function () {
    expect(starts('FREQ=HOURLY;INTERVAL=8;COUNT=4', '2026-11-03'))->toBe(['2026-11-03', '2026-11-04']);
});

test('a leap second is the one before it', function () {
    expect(starts('FREQ=DAILY;BYHOUR=23;BYMINUTE=59;BYSECOND=60;COUNT=2', '2026-12-31T23:59', zone: null))->toBe(['2026-12-31T23:59', '2026-12-31T23:59'])
        ->and(starts('FREQ=SECONDLY;BYSECOND=60;COUNT=3', '2026-12-31T23:58', zone: null))->toBe(['2026-12-31T23:58', '2026-12-31T23:58', '2026-12-31T23:59']);
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
    'FREQ=MONTHLY;BYWEEKNO=3', 'FREQ=DAILY;BYDAY=2MO', 'FREQ=DAILY;FREQ=WEEKLY', 'FREQ=DAILY;BYDAY=XX', 'FREQ=DAILY;UNTIL=soon', 'FREQ=DAILY;RSCALE=HEBREW', 'FREQ=DAILY;SKIP=FORWARD', 'FREQ=YEARLY;BYWEEKNO=3;BYDAY=1MO',
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
    ['FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=-1', 'every 3 months on its last day'],
    ['FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU', 'every year on the last Sunday in March'],
]);

<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/** @return list<string> wall time, and the instant in UTC */
function walls(string $rule, string $start, string $zone, int $year = 2026): array
{
    $times = (new RecurrenceSet([(new RuleParser)->parse($rule)]))->startsBetween(
        Make::time($start, $zone), LocalDateTime::parse("{$year}-01-01")->seconds, LocalDateTime::parse(($year + 1).'-01-01')->seconds,
    );

    return array_map(static fn (EventTime $time): string => substr($time->local->toDateTime(), 5, 11).' '.gmdate('d\TH:i', $time->indexSeconds()), $times);
}

test('a weekly series keeps its wall time over both changes of the year', function (string $zone, array $around) {
    $walls = walls('FREQ=WEEKLY;BYDAY=SU', '2026-01-04T09:00', $zone);
    expect(count($walls))->toBe(52);
    foreach ($walls as $wall) {
        expect(substr($wall, 6, 5))->toBe('09:00');
    }
    foreach ($around as $expected) {
        expect($walls)->toContain($expected);
    }
})->with([
    'Europe/London' => ['Europe/London', ['03-22T09:00 22T09:00', '03-29T09:00 29T08:00', '10-18T09:00 18T08:00', '10-25T09:00 25T09:00']],
    'America/New_York' => ['America/New_York', ['03-01T09:00 01T14:00', '03-08T09:00 08T13:00', '10-25T09:00 25T13:00', '11-01T09:00 01T14:00']],
    'Australia/Lord_Howe, half an hour' => ['Australia/Lord_Howe', ['03-29T09:00 28T22:00', '04-05T09:00 04T22:30', '09-27T09:00 26T22:30', '10-04T09:00 03T22:00']],
    'Africa/Casablanca, back for a month' => ['Africa/Casablanca', ['02-08T09:00 08T08:00', '02-15T09:00 15T09:00', '03-15T09:00 15T09:00', '03-22T09:00 22T08:00']],
    'Asia/Kolkata, none' => ['Asia/Kolkata', ['03-29T09:00 29T03:30', '10-25T09:00 25T03:30']],
]);

test('a time in the gap is read with the offset before it, and is not lost', function (string $zone, string $rule, string $start, array $expected) {
    expect(array_slice(walls($rule, $start, $zone), 0, count($expected)))->toBe($expected);
})->with([
    'London, 1:30 each Sunday' => ['Europe/London', 'FREQ=WEEKLY', '2026-03-22T01:30', ['03-22T01:30 22T01:30', '03-29T01:30 29T01:30', '04-05T01:30 05T00:30']],
    'New York, 2:30 each day' => ['America/New_York', 'FREQ=DAILY;COUNT=3', '2026-03-07T02:30', ['03-07T02:30 07T07:30', '03-08T02:30 08T07:30', '03-09T02:30 09T06:30']],
    'Lord Howe, 2:15 each day' => ['Australia/Lord_Howe', 'FREQ=DAILY;COUNT=3', '2026-10-03T02:15', ['10-03T02:15 02T15:45', '10-04T02:15 03T15:45', '10-05T02:15 04T15:15']],
    'Casablanca, 2:30 each Sunday' => ['Africa/Casablanca', 'FREQ=WEEKLY;COUNT=2', '2026-03-15T02:30', ['03-15T02:30 15T02:30', '03-22T02:30 22T02:30']],
]);

test('a time that comes twice is the first of the two', function (string $zone, string $start, string $expected) {
    expect(walls('FREQ=WEEKLY', $start, $zone)[1])->toBe($expected);
})->with([
    'London' => ['Europe/London', '2026-10-18T01:30', '10-25T01:30 25T00:30'],
    'New York' => ['America/New_York', '2026-10-25T01:30', '11-01T01:30 01T05:30'],
    'Lord Howe' => ['Australia/Lord_Howe', '2026-03-29T01:45', '04-05T01:45 04T14:45'],
    'Casablanca' => ['Africa/Casablanca', '2026-02-08T02:30', '02-15T02:30 15T01:30'],
]);

test('by the hour, each is an hour after the one before, whatever the clocks do', function () {
    expect(walls('FREQ=HOURLY;COUNT=5', '2026-03-28T23:00', 'Europe/London'))
        ->toBe(['03-28T23:00 28T23:00', '03-29T00:00 29T00:00', '03-29T02:00 29T01:00', '03-29T03:00 29T02:00', '03-29T04:00 29T03:00']);
});

test('a length in days keeps the wall time over the change, one in hours does not', function (string $duration, string $start, string $end) {
    $begins = Make::time($start);
    $length = Duration::parse($duration);
    $series = new Series(new Event('x', EventTiming::lasting($begins, $length, new RecurrenceSet([(new RuleParser)->parse('FREQ=WEEKLY;COUNT=2')])), new EventContents('Watch')));
    $second = $series->occurrences(0, LocalDateTime::parse('2027-01-01')->seconds)[1];
    assert($second instanceof Occurrence);
    expect($second->localEnd()->toDateTime())->toBe($end);
})->with([
    'a day of 23 hours' => ['P1D', '2026-03-21T12:00', '2026-03-29T12:00:00'],
    '24 hours over it' => ['PT24H', '2026-03-21T12:00', '2026-03-29T13:00:00'],
    'a day of 25 hours' => ['P1D', '2026-10-17T12:00', '2026-10-25T12:00:00'],
    '24 hours over that' => ['PT24H', '2026-10-17T12:00', '2026-10-25T11:00:00'],
    'a day and two hours' => ['P1DT2H', '2026-03-21T12:00', '2026-03-29T14:00:00'],
    'a week' => ['P1W', '2026-03-21T12:00', '2026-04-04T12:00:00'],
]);

<?php

use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** Start and end on the wall, and the length where one was given. */
function toldTiming(EventTiming $timing): string
{
    $tell = static fn ($time): string => $timing->isAllDay() ? $time->local->toDate() : $time->local->toMinute();

    return trim("{$tell($timing->start)} {$tell($timing->end)} {$timing->duration}");
}

test('a length and an end cannot disagree: the end is what the length makes of the start', function () {
    // Over the night on which the clocks go back.
    $day = EventTiming::lasting(Make::time('2026-10-24T22:00'), Duration::parse('P1D'));
    expect(toldTiming($day))->toBe('2026-10-24T22:00 2026-10-25T22:00 P1D')->and($day->lengthSeconds())->toBe(25 * 3600)
        ->and(toldTiming($day->startingAt(Make::time('2026-10-25T10:00'))))->toBe('2026-10-25T10:00 2026-10-26T10:00 P1D')
        ->and(toldTiming($day->endingAt(Make::time('2026-10-25T08:00'))))->toBe('2026-10-24T22:00 2026-10-25T08:00')
        ->and(toldTiming($day->endingAt(Make::time('2026-10-25T22:00'))))->toBe('2026-10-24T22:00 2026-10-25T22:00 P1D');
});

test('a start that moves takes the end along on the wall', function (string $start, string $end, string $to, string $expected) {
    expect(toldTiming(EventTiming::between(Make::time($start), Make::time($end))->startingAt(Make::time($to))))->toBe($expected);
})->with([
    'within a day' => ['2026-11-02T09:30', '2026-11-02T11:00', '2026-11-03T14:00', '2026-11-03T14:00 2026-11-03T15:30'],
    'over a clock change' => ['2026-10-23T22:00', '2026-10-24T08:00', '2026-10-24T22:00', '2026-10-24T22:00 2026-10-25T08:00'],
    'whole days' => ['2026-11-02', '2026-11-05', '2026-12-01', '2026-12-01 2026-12-04'],
    'hours become a day' => ['2026-11-02T09:30', '2026-11-02T11:00', '2026-11-03', '2026-11-03 2026-11-04'],
    'days become an hour' => ['2026-11-02', '2026-11-05', '2026-11-03T09:00', '2026-11-03T09:00 2026-11-03T10:00'],
]);

test('a start told in another zone keeps the length on the wall', function () {
    $moved = EventTiming::between(Make::time('2026-11-02T09:30'), Make::time('2026-11-02T11:00'))->startingAt(Make::time('2026-11-02T20:30', 'Australia/Sydney'));
    expect(toldTiming($moved))->toBe('2026-11-02T20:30 2026-11-02T22:00')->and($moved->end->zone)->toEqual(Zone::of('Australia/Sydney'));
});

test('what cannot be is refused', function (Closure $make, string $why) {
    expect($make)->toThrow(InvalidTime::class, $why);
})->with([
    'an end before the start' => [fn () => EventTiming::between(Make::time('2026-11-02T09:30'), Make::time('2026-11-02T09:29')), 'before the start'],
    'a date that ends with a time' => [fn () => EventTiming::between(Make::time('2026-11-02'), Make::time('2026-11-02T09:29')), 'starts and ends with dates'],
    'no day at all' => [fn () => EventTiming::between(Make::time('2026-11-02'), Make::time('2026-11-02')), 'a day at least'],
    'a negative length' => [fn () => EventTiming::lasting(Make::time('2026-11-02T09:30'), Duration::parse('-PT1H')), 'before the start'],
    'an end set before the start' => [fn () => EventTiming::from(Make::time('2026-11-02T09:30'))->endingAt(Make::time('2026-11-02T09:00')), 'before the start'],
]);

test('how it repeats is kept when it is moved, and changed alone', function () {
    $weekly = new RecurrenceSet([(new RuleParser)->parse('FREQ=WEEKLY;COUNT=2')]);
    $timing = EventTiming::lasting(Make::time('2026-10-18T12:00'), Duration::parse('P1D'), $weekly);
    expect($timing->startingAt(Make::time('2026-10-19T12:00'))->recurrence)->toBe($weekly)->and($timing->repeating(new RecurrenceSet)->repeats())->toBeFalse()
        ->and(toldTiming($timing->repeating(new RecurrenceSet)))->toBe(toldTiming($timing))
        ->and($timing->longestSeconds())->toBe(2 * 86_400)->and($timing->endOf(Make::time('2026-10-25T00:30')) - Make::time('2026-10-25T00:30')->indexSeconds())->toBe(25 * 3600);
});

test('nothing ends after the year 9999, whatever its kind', function () {
    expect(EventTiming::between(Make::time('9999-12-30'), Make::time('9999-12-31'))->end->local->toDate())->toBe('9999-12-31');
    $morning = Make::time('2026-11-10T09:00');
    $beyond = [
        fn () => EventTiming::from(Make::time('9999-12-31')), fn () => EventTiming::from(Make::time('9999-12-31T23:30', null)),
        fn () => EventTiming::lasting(Make::time('9999-12-30T09:00'), Duration::parse('P2D')), fn () => EventTiming::from($morning)->endingAt(Make::time('9999-12-31T12:00')),
    ];
    foreach ($beyond as $each) {
        expect($each)->toThrow(InvalidTime::class, 'in the year 9999 at the latest');
    }
});

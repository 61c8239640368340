<?php

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use Tests\Support\Make;

/** Seconds of a day at its beginning, UTC. */
$at = static fn (string $day): int => (new DateTimeImmutable("{$day}T00:00:00Z"))->getTimestamp();

test('what is worked out within its budget is as without one', function () use ($at) {
    $series = new Series(Make::event(rule: 'FREQ=WEEKLY'));
    $times = static fn (?WorkBudget $budget): array => array_column($series->occurrences($at('2026-11-01'), $at('2027-11-01'), $budget), 'startSeconds');
    expect($times(new WorkBudget(10_000)))->toBe($times(null))->and($times(null))->toHaveCount(52);
});

test('many small works are one budget: whichever spends the last of it is refused', function () use ($at) {
    $series = new Series(Make::event(rule: 'FREQ=DAILY'));
    $budget = new WorkBudget(5_000);
    $done = 0;
    try {
        for (; $done < 1_000; $done++) {
            $series->occurrences($at('2026-11-01'), $at('2027-02-01'), $budget);
        }
    } catch (TooMuchWork $problem) {
        expect($problem->of)->toBe('steps');
    }
    expect($done)->toBeGreaterThan(5)->toBeLessThan(60);
    expect(fn () => $series->occurrences($at('2026-11-01'), $at('2026-11-02'), $budget))->toThrow(TooMuchWork::class);
});

test('steps count where nothing comes of them', function (string $rule) use ($at) {
    $series = new Series(Make::event(rule: $rule));
    expect(fn () => $series->occurrences($at('2500-01-01'), $at('2600-01-01'), new WorkBudget(1_000)))->toThrow(TooMuchWork::class);
})->with([
    'a rule that is counted from its start' => ['FREQ=DAILY;BYMONTHDAY=31,30,29;BYDAY=FR;COUNT=100000'],
    'minutes of a year' => ['FREQ=MINUTELY;BYSECOND=0,30;BYHOUR=9'],
]);

test('memory is part of it, whatever uses it', function () use ($at) {
    $series = new Series(Make::event(rule: 'FREQ=MINUTELY'));
    $budget = new WorkBudget(PHP_INT_MAX, memory_get_usage() + 2_000_000);
    expect(fn () => $series->occurrences($at('2026-11-03'), $at('2027-02-01'), $budget))->toThrow(fn (TooMuchWork $problem) => expect($problem->of)->toBe('memory'));
});

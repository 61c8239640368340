<?php

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\RandomRule;

/** @return list<int> on the index's axis */
function instantsOf(string $rule, string $start, int $from, int $to, ?string $zone): array
{
    $local = LocalDateTime::parse($start);
    $begins = $zone === null ? EventTime::floating($local) : EventTime::zoned($local, PinnedRota\Core\Time\Zone::of($zone));

    return array_map(static fn (EventTime $time): int => $time->indexSeconds(), (new RecurrenceSet([(new RuleParser)->parse($rule)]))->startsBetween($begins, $from, $to));
}

test('a window is that window cut from a walk from the start, windows side by side make up the whole, and order is strict', function (int $seed) {
    mt_srand($seed);
    $met = 0;
    for ($round = 0; $round < 700; $round++) {
        $rule = RandomRule::text(['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY']);
        $start = RandomRule::start(2019, 2021);
        $zone = [null, 'Europe/London', 'America/New_York', 'Australia/Lord_Howe'][mt_rand(0, 3)];
        $begins = LocalDateTime::parse($start)->seconds - 86_400;
        $length = str_contains($rule, 'MINUTELY') ? 10 * 86_400 : (str_contains($rule, 'HOURLY') ? 200 * 86_400 : 2_500 * 86_400);
        $whole = instantsOf($rule, $start, $begins, $begins + $length, $zone);
        $cuts = [0, $length];
        for ($cut = mt_rand(1, 5); $cut > 0; $cut--) {
            $cuts[] = mt_rand(0, $length);
        }
        sort($cuts);
        $joined = [];
        for ($index = 1; $index < count($cuts); $index++) {
            [$from, $to] = [$begins + $cuts[$index - 1], $begins + $cuts[$index]];
            $window = instantsOf($rule, $start, $from, $to, $zone);
            expect($window)->toBe(array_values(array_filter($whole, static fn (int $time): bool => $time >= $from && $time < $to)), "seed {$seed}: {$rule} from {$start}");
            array_push($joined, ...$window);
        }
        $sorted = array_values(array_unique($joined));
        sort($sorted);
        expect($joined)->toBe($whole)->and($joined)->toBe($sorted);
        $met += count($whole) > 3 ? 1 : 0;
    }
    expect($met)->toBeGreaterThan(400);
})->with([1, 2, 3]);

test('COUNT is exact, and jumping to a late window keeps to it', function (int $seed) {
    mt_srand($seed);
    $exact = $late = 0;
    for ($round = 0; $round < 600; $round++) {
        $rule = (string) preg_replace('/;(COUNT|UNTIL)=\w+/', '', RandomRule::text(['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY']));
        $start = RandomRule::start(2019, 2021);
        $begins = LocalDateTime::parse($start)->seconds;
        $length = str_contains($rule, 'MINUTELY') ? 5 * 86_400 : (str_contains($rule, 'HOURLY') ? 60 * 86_400 : 3_000 * 86_400);
        $all = instantsOf($rule, $start, $begins, $begins + $length, null);
        if (count($all) < 3) {
            continue;
        }
        $count = mt_rand(1, count($all) - 1);
        $counted = "{$rule};COUNT={$count}";
        expect(instantsOf($counted, $start, $begins, $begins + $length, null))->toBe(array_slice($all, 0, $count), "seed {$seed}: {$counted} from {$start}");
        $exact++;
        // A window that begins among the last of them, and one that begins after.
        $from = $all[$count - 1];
        expect(instantsOf($counted, $start, $from, $begins + $length, null))->toBe([$all[$count - 1]])
            ->and(instantsOf($counted, $start, $from + 1, $begins + $length, null))->toBe([]);
        $late++;
    }
    expect(min($exact, $late))->toBeGreaterThan(350);
})->with([4, 5]);

test('COUNT is honoured without a walk where arithmetic can do it', function (string $rule, string $start, string $from) {
    $expander = new RuleExpander((new RuleParser)->parse($rule), LocalDateTime::parse($start), false);
    $begins = LocalDateTime::parse($from)->seconds;
    $jumped = $expander->between($begins, $begins + 40_000_000);
    expect($expander->steps())->toBeLessThan(1500);
    $walked = array_values(array_filter($expander->between(LocalDateTime::parse($start)->seconds, $begins + 40_000_000), static fn (int $time): bool => $time >= $begins));
    expect($jumped)->toBe($walked)->and($jumped)->not->toBe([]);
})->with([
    ['FREQ=DAILY;COUNT=20000', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=DAILY;INTERVAL=3;BYHOUR=8,14;COUNT=9000', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=DAILY;BYDAY=MO,TU,WE,TH,FR;COUNT=10000', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;COUNT=2000', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=WEEKLY;BYDAY=TU,TH,SA;BYSETPOS=-1,1;COUNT=5000', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=MONTHLY;BYDAY=2TU;COUNT=500', '1990-03-13T09:00', '2026-01-01'],
    ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=500', '1990-03-30T09:00', '2026-01-01'],
    ['FREQ=MONTHLY;BYMONTHDAY=1,15;COUNT=900', '1990-03-01T09:00', '2026-01-01'],
    ['FREQ=MONTHLY;COUNT=500', '1990-03-28T09:00', '2026-01-01'],
    ['FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU;COUNT=50', '1990-03-25T09:00', '2026-01-01'],
    ['FREQ=YEARLY;BYWEEKNO=20;COUNT=50', '1990-05-17T09:00', '2026-01-01'],
    ['FREQ=YEARLY;BYYEARDAY=1,100,200;COUNT=150', '1990-01-01T09:00', '2026-01-01'],
    ['FREQ=YEARLY;BYMONTHDAY=7;COUNT=500', '1990-01-07T09:00', '2026-01-01'],
    ['FREQ=YEARLY;COUNT=50', '1990-02-03T09:00', '2026-01-01'],
    ['FREQ=HOURLY;INTERVAL=5;COUNT=9000', '2021-02-03T09:00', '2026-01-01'],
    ['FREQ=MINUTELY;INTERVAL=1440;BYSECOND=0,30;COUNT=30000', '1990-02-03T09:00', '2026-01-01'],
]);

test('20,000 random rules end within a bounded number of steps, wherever the window is', function () {
    mt_srand(99);
    $walked = 0;
    for ($round = 0; $round < 20_000; $round++) {
        $rule = RandomRule::text();
        $start = RandomRule::start(1970, 2026);
        $expander = new RuleExpander((new RuleParser)->parse($rule), LocalDateTime::parse($start), mt_rand(0, 9) === 0);
        $from = LocalDateTime::parse($start)->seconds + mt_rand(-1_000_000, 900_000_000);
        $found = $expander->between($from, $from + mt_rand(1, mt_rand(0, 9) === 0 ? 3_000_000 : 200_000));
        // A period's worth may still come after the last step, and the question whether DTSTART counts is asked before.
        expect($expander->steps())->toBeLessThan(RuleExpander::MAX_STEPS + 10_000, "{$rule} from {$start}")
            ->and(count($found))->toBeLessThanOrEqual(RuleExpander::MAX_INSTANCES);
        $walked += $expander->steps() > 1000 ? 1 : 0;
    }
    expect($walked)->toBeGreaterThan(20);
});

test('a rule that yields nothing ends at once', function (string $rule, int $most) {
    $expander = new RuleExpander((new RuleParser)->parse($rule), LocalDateTime::parse('2026-01-01T09:00'), false);
    expect($expander->between(0, PHP_INT_MAX >> 1))->toBe([])->and($expander->steps())->toBeLessThan($most);
})->with([
    '30 February, yearly' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', 20],
    '30 February, monthly' => ['FREQ=MONTHLY;BYMONTH=2;BYMONTHDAY=30', 20],
    '30 February, daily' => ['FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 20],
    '30 February, by the second' => ['FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=30', 500],
    '30 February, counted' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', 30],
    'the sixth Monday of a month' => ['FREQ=MONTHLY;BYDAY=6MO', 20],
    'the 1st, where it is the 200th day of the year' => ['FREQ=YEARLY;BYYEARDAY=200;BYMONTHDAY=1', 20],
    'the fifth of four' => ['FREQ=WEEKLY;BYDAY=MO,TU,WE,TH;BYSETPOS=5', 20],
    'a leap day in years that have none' => ['FREQ=YEARLY;INTERVAL=4;BYMONTH=2;BYMONTHDAY=29', 500],
    'the second of one' => ['FREQ=MINUTELY;INTERVAL=2;BYMINUTE=2;BYSETPOS=2', 20],
    'a minute that no step meets' => ['FREQ=MINUTELY;INTERVAL=2;BYMINUTE=1', 300],
    'a second that no step meets' => ['FREQ=SECONDLY;INTERVAL=6;BYSECOND=10,20,28', 300],
    'an hour that no step meets' => ['FREQ=HOURLY;INTERVAL=6;BYHOUR=10', 300],
]);

test('a walk that is cut short says so by its steps, not by going on', function () {
    $expander = new RuleExpander((new RuleParser)->parse('FREQ=MINUTELY;BYMONTH=2;BYMONTHDAY=29;COUNT=999999999'), LocalDateTime::parse('1000-01-01T00:00'), false);
    expect($expander->between(0, PHP_INT_MAX >> 1))->toBe([])->and($expander->steps())->toBeGreaterThan(RuleExpander::MAX_STEPS - 2)->toBeLessThan(RuleExpander::MAX_STEPS + 10);
});

<?php

use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\PeriodYield;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\SetPositions;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\RandomRule;

function yieldOf(string $rule, string $start = '2026-11-03'): ?int
{
    return PeriodYield::of((new RuleParser)->parse($rule), LocalDateTime::parse($start)->day(), 1);
}

test('what every period holds is known where it is the same in all', function (string $rule, ?int $expected) {
    expect(yieldOf($rule))->toBe($expected);
})->with([
    ['FREQ=DAILY', 1],
    ['FREQ=DAILY;BYMONTH=3', null],
    ['FREQ=DAILY;BYSETPOS=2', 0],
    ['FREQ=WEEKLY', 1],
    ['FREQ=WEEKLY;BYDAY=MO,WE,FR', 3],
    ['FREQ=WEEKLY;BYDAY=MO,WE,FR;BYSETPOS=1,-3', 1],
    ['FREQ=WEEKLY;BYMONTH=3', null],
    ['FREQ=MONTHLY', 1],
    ['FREQ=MONTHLY;BYMONTHDAY=1,28', 2],
    ['FREQ=MONTHLY;BYMONTHDAY=29', null],
    ['FREQ=MONTHLY;BYMONTHDAY=15,-15', null],
    ['FREQ=MONTHLY;BYDAY=1MO,4FR', 2],
    ['FREQ=MONTHLY;BYDAY=5MO', null],
    ['FREQ=MONTHLY;BYDAY=1MO,-4MO', null],
    ['FREQ=MONTHLY;BYDAY=MO', null],
    ['FREQ=MONTHLY;BYDAY=MO;BYSETPOS=4', 1],
    ['FREQ=MONTHLY;BYDAY=MO;BYSETPOS=5', null],
    ['FREQ=YEARLY', 1],
    ['FREQ=YEARLY;BYMONTH=1,6;BYMONTHDAY=5', 2],
    ['FREQ=YEARLY;BYMONTHDAY=5', 12],
    ['FREQ=YEARLY;BYYEARDAY=1,365', 2],
    ['FREQ=YEARLY;BYYEARDAY=366', null],
    ['FREQ=YEARLY;BYWEEKNO=1,52', 2],
    ['FREQ=YEARLY;BYWEEKNO=53', null],
    ['FREQ=YEARLY;BYDAY=20MO', 1],
    ['FREQ=YEARLY;BYDAY=53MO', null],
    ['FREQ=HOURLY', null],
]);

test('a start that some months or years lack gives no answer', function () {
    expect(yieldOf('FREQ=MONTHLY', '2026-10-31'))->toBeNull()->and(yieldOf('FREQ=YEARLY', '2024-02-29'))->toBeNull();
});

test('what is said of random rules is so in every period that is looked at', function () {
    mt_srand(31);
    $answered = 0;
    for ($round = 0; $round < 3000; $round++) {
        $text = (string) preg_replace('/;(COUNT|UNTIL|INTERVAL)=\w+/', '', RandomRule::text(['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY']));
        $rule = (new RuleParser)->parse($text);
        $start = LocalDateTime::parse(RandomRule::start(2000, 2020));
        $times = count(array_unique([...$rule->byHour, -1])) === 1 && $rule->byMinute === [] && $rule->bySecond === [] ? 1 : null;
        $each = $times === null ? null : PeriodYield::of($rule, $start->day(), 1);
        // A numbered week lies in two years, so calendar years cannot be counted by.
        if ($each === null || $rule->byWeekNumber !== []) {
            continue;
        }
        $answered++;
        $found = [];
        foreach ((new RuleExpander($rule, $start, false))->between($start->seconds, $start->seconds + 6 * 366 * 86_400) as $instance) {
            $day = CivilDate::floorDiv($instance, 86_400);
            [$year, $month] = CivilDate::fromDays($day);
            $period = match ($rule->frequency) {
                Frequency::Yearly => (string) $year,
                Frequency::Monthly => "{$year}-{$month}",
                Frequency::Weekly => (string) CivilDate::floorDiv($day - ($rule->weekStart - 3 + 7) % 7, 7),
                default => (string) $day,
            };
            $found[$period] = ($found[$period] ?? 0) + 1;
        }
        // The first period and the last may be cut.
        foreach (array_slice($found, 1, -1) as $period => $count) {
            expect($count)->toBe($each, "{$text} from {$start->toDate()}, period {$period}");
        }
    }
    expect($answered)->toBeGreaterThan(300);
});

test('positions are counted from either end, each once and in order', function (array $positions, array $expected) {
    expect(SetPositions::of([10, 20, 30, 40], $positions))->toBe($expected);
})->with([
    [[1], [10]], [[-1], [40]], [[4, 1], [10, 40]], [[1, -4], [10]], [[5], []], [[-5], []], [[-1, 2, 3], [20, 30, 40]],
]);

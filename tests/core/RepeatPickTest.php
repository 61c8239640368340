<?php

use PinnedRota\Core\Recurrence\ExceptionWords;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\MonthBy;
use PinnedRota\Core\Recurrence\RepeatPick;
use PinnedRota\Core\Recurrence\RepeatUnit;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\LocalDateTime;

test('a rule is what was picked for it', function (string $start, string $rule, RepeatPick $pick) {
    $start = LocalDateTime::parse($start);
    expect((string) $pick->rule($start))->toBe($rule)->and(RepeatPick::of((new RuleParser)->parse($rule), $start))->toEqual($pick)
        ->and(RepeatPick::of((new RuleParser)->parse("{$rule};COUNT=4"), $start))->toEqual($pick);
})->with([
    ['2026-11-10', 'FREQ=DAILY', new RepeatPick(RepeatUnit::Day, 1, [1])],
    ['2026-11-10', 'FREQ=DAILY;INTERVAL=3', new RepeatPick(RepeatUnit::Day, 3, [1])],
    ['2026-11-10', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,TU', new RepeatPick(RepeatUnit::Week, 2, [0, 1])],
    ['2026-11-10', 'FREQ=MONTHLY', new RepeatPick(RepeatUnit::Month, 1, [1])],
    ['2026-11-10', 'FREQ=MONTHLY;BYDAY=2TU', new RepeatPick(RepeatUnit::Month, 1, [1], MonthBy::Weekday)],
    ['2026-11-29', 'FREQ=MONTHLY;BYDAY=5SU', new RepeatPick(RepeatUnit::Month, 1, [6], MonthBy::Weekday)],
    ['2026-11-24', 'FREQ=MONTHLY;BYDAY=-1TU', new RepeatPick(RepeatUnit::Month, 1, [1], MonthBy::LastWeekday)],
    ['2026-11-30', 'FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=-1', new RepeatPick(RepeatUnit::Month, 3, [0], MonthBy::LastDay)],
    ['2028-02-29', 'FREQ=YEARLY', new RepeatPick(RepeatUnit::Year, 1, [1])],
]);

test('a weekly rule without weekdays is on that of its start, and its weekdays are in order', function () {
    $start = LocalDateTime::parse('2026-11-10');
    expect(RepeatPick::of((new RuleParser)->parse('FREQ=WEEKLY'), $start)?->weekdays)->toBe([1])
        ->and(RepeatPick::of((new RuleParser)->parse('FREQ=WEEKLY;BYDAY=FR,TU'), $start)?->weekdays)->toBe([1, 4])
        ->and((string) (new RepeatPick(RepeatUnit::Week, 1, [4, 1, 4]))->rule($start))->toBe('FREQ=WEEKLY;BYDAY=TU,FR');
});

test('where weeks begin matters only to rules that leave weeks out', function () {
    $of = static fn (string $rule): ?RepeatPick => RepeatPick::of((new RuleParser)->parse($rule), LocalDateTime::parse('2026-11-10'));
    expect($of('FREQ=WEEKLY;BYDAY=TU;WKST=SU'))->not->toBeNull()->and($of('FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;WKST=SU'))->toBeNull();
});

test('what cannot be picked is nothing of the kind', function (string $rule) {
    expect(RepeatPick::of((new RuleParser)->parse($rule), LocalDateTime::parse('2026-11-10')))->toBeNull();
})->with(['FREQ=MONTHLY;BYDAY=1MO,3MO', 'FREQ=MONTHLY;BYMONTHDAY=14', 'FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU', 'FREQ=HOURLY', 'FREQ=MONTHLY;BYDAY=3TU', 'FREQ=DAILY;BYDAY=MO', 'FREQ=WEEKLY;BYDAY=TU;BYHOUR=9,14']);

test('there is no repeat of weeks without weekdays, nor every none', function () {
    expect(fn () => new RepeatPick(RepeatUnit::Week))->toThrow(InvalidRule::class)
        ->and(fn () => new RepeatPick(RepeatUnit::Day, 0))->toThrow(InvalidRule::class)
        ->and(fn () => new RepeatPick(RepeatUnit::Week, 1, [7]))->toThrow(InvalidRule::class);
});

test('it is said what becomes of times that were changed on their own, before it happens', function () {
    $of = static fn (string $time, array $days, int $skipped = 0): ExceptionWords => new ExceptionWords(
        array_combine(array_map(static fn (string $day): string => "{$day}T09:00:00Z", $days), array_map(static fn (string $day): LocalDateTime => LocalDateTime::parse("{$day}T10:00"), $days)),
        $time, $skipped,
    );
    $at = '2026-11-10T09:00:00Z';
    $told = $of($at, [])->deleting();
    expect([$told->one, $told->following, $told->all])->toBe(['All others stay.', 'Those before it stay.', 'Every time of it goes.']);
    $told = $of($at, ['2026-11-03', '2026-11-17', '2026-11-24'])->deleting();
    expect($told->following)->toBe('Those before it stay. The 2 times changed on their own (Tue 17 Nov, Tue 24 Nov) go, too.')
        ->and($told->all)->toBe('Every time of it goes. The 3 times changed on their own (Tue 3 Nov, Tue 17 Nov, Tue 24 Nov) go, too.');
    $told = $of($at, ['2026-11-17'], 1)->changing();
    expect($told->one)->toBe('It is told apart from the others from now on.')
        ->and($told->following)->toBe('From here on it is a series of its own. The time changed on its own (Tue 17 Nov) goes along and keeps its changes.')
        ->and($told->all)->toBe('The time changed on its own (Tue 17 Nov) keeps what was changed and where it was put. One day that is left out stays so.');
    // The one that is looked at was changed itself: it keeps that where all are changed, and is no other where it is deleted.
    $own = $of('2026-11-17T09:00:00Z', ['2026-11-17']);
    expect($own->changing()->one)->toBe('It was changed on its own before, and is changed again.')
        ->and($own->changing()->all)->toBe('The time changed on its own (Tue 17 Nov) keeps what was changed and where it was put.')
        ->and($own->deleting()->all)->toBe('Every time of it goes.');
    expect($of('', ['2026-11-02', '2026-11-03', '2026-11-04', '2026-11-05'], 2)->changing()->all)
        ->toBe('The 4 times changed on their own (Mon 2 Nov, Tue 3 Nov, Wed 4 Nov and more) keep what was changed and where they were put. 2 days that are left out stay so.')
        ->and($of('', [])->changing()->all)->toBe('Every time of it changes.');
});

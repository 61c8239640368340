<?php

use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

test('by a pin a calendar shows what it shows of its own, but nothing private', function (Level $level, bool $private, bool $involved, Visibility $own, Visibility $pinned) {
    expect(Visibility::of($level, $private, true, $involved))->toBe($own)->and(Visibility::of($level, $private, true, $involved, pinned: true))->toBe($pinned);
})->with([
    [Level::None, false, true, Visibility::Hidden, Visibility::Hidden],
    [Level::BusyTimes, false, false, Visibility::BusyOnly, Visibility::BusyOnly],
    [Level::See, false, false, Visibility::Full, Visibility::Full],
    [Level::See, true, false, Visibility::BusyOnly, Visibility::BusyOnly],
    [Level::See, true, true, Visibility::Full, Visibility::Full],
    [Level::Change, true, false, Visibility::Full, Visibility::BusyOnly],
    [Level::Manage, true, false, Visibility::Full, Visibility::BusyOnly],
    [Level::Manage, true, true, Visibility::Full, Visibility::Full],
]);

test('of several calendars the one that shows most counts', function () {
    expect(Visibility::Hidden->or(Visibility::BusyOnly))->toBe(Visibility::BusyOnly)->and(Visibility::Full->or(Visibility::BusyOnly))->toBe(Visibility::Full)->and(Visibility::BusyOnly->or(Visibility::Full))->toBe(Visibility::Full)
        ->and(Visibility::Hidden->or(Visibility::Hidden))->toBe(Visibility::Hidden);
});

test('a series without a time that was changed has it neither as it is nor as it was', function () {
    $one = Make::event('One', '2026-11-18T14:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-17T09:30')]);
    $on = Make::event('On', '2026-11-24T15:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-24T09:30'), 'andFollowing' => true]);
    $series = new Series(Make::event('Rowing', '2026-11-10T09:30', rule: 'FREQ=WEEKLY;COUNT=5', uid: 'r'), [$one, $on]);
    $days = fn (Series $of): array => array_map(fn ($each): string => substr($each->start->local->toDate(), 5).' '.$each->event->contents->title, $of->occurrences(LocalDateTime::parse('2026-11-01')->seconds, LocalDateTime::parse('2027-02-01')->seconds));
    expect($days($series))->toBe(['11-10 Rowing', '11-18 One', '11-24 On', '12-01 On', '12-08 On'])
        ->and($days(OccurrenceChanges::withoutChanged($series, $one)))->toBe(['11-10 Rowing', '11-24 On', '12-01 On', '12-08 On'])
        ->and($days(OccurrenceChanges::withoutChanged($series, $on)))->toBe(['11-10 Rowing', '11-18 One']);
    $alone = new Series(null, [$one, Make::event('Two', '2026-11-25T14:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-24T09:30')])]);
    expect($days(OccurrenceChanges::withoutChanged($alone, $one)))->toBe(['11-25 Two']);
});

test('a copy asks nobody and reminds nobody, and is the same otherwise', function () {
    $event = Make::event('Survey', more: ['participants' => [new Participant('mailto:ada@example.org')], 'colour' => Colour::Plum, 'place' => 'Slip', 'priority' => 3]);
    $copy = $event->copied('new');
    expect([$copy->uid, $copy->participants, $copy->reminders, $copy->contents->title, $copy->contents->colour, $copy->contents->place, $copy->contents->priority])->toBe(['new', [], [], 'Survey', Colour::Plum, 'Slip', 3])
        ->and($event->with())->toEqual($event);
});

test('a rule ends after so many times, on a last day, or never', function () {
    $rule = (new RuleParser)->parse('FREQ=WEEKLY;COUNT=9');
    $start = Make::time('2026-11-10T09:30');
    expect((string) $rule->ending(3, null, $start))->toBe('FREQ=WEEKLY;COUNT=3')->and((string) $rule->ending(null, null, $start))->toBe('FREQ=WEEKLY')
        ->and((string) $rule->ending(null, LocalDateTime::parse('2026-12-01'), $start))->toBe('FREQ=WEEKLY;UNTIL=20261201T235959Z')
        ->and((string) $rule->ending(null, LocalDateTime::parse('2026-12-01'), Make::time('2026-11-10')))->toBe('FREQ=WEEKLY;UNTIL=20261201');
});

test('days of a month are told as people say them', function (string $days, string $words) {
    expect(RuleWords::of((new RuleParser)->parse("FREQ=MONTHLY;BYMONTHDAY={$days}"), Make::time('2026-11-01')))->toBe("every month on {$words}");
})->with([['1', 'the 1st'], ['2,3', 'the 2nd and the 3rd'], ['11,12,13', 'the 11th, the 12th and the 13th'], ['21,22,23,31', 'the 21st, the 22nd, the 23rd and the 31st'], ['-1', 'its last day'], ['-2', 'its 2nd-last day'], ['-3,15', 'its 3rd-last day and the 15th']]);

test('each ink has a colour of CSS of its own', function () {
    $names = array_map(fn (Colour $each): string => $each->cssName(), Colour::cases());
    expect(array_unique($names))->toHaveCount(count(Colour::cases()))->and(implode('', $names))->toMatch('/^[a-z]+$/');
});

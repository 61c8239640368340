<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/** @return list<string> */
function told(?Series $series): array
{
    return $series === null ? [] : array_map(
        static fn (Occurrence $each): string => substr($each->start->local->toDateTime(), 5, 11).' '.$each->event->contents->title,
        $series->occurrences(LocalDateTime::parse('2026-10-01')->seconds, LocalDateTime::parse('2027-06-01')->seconds),
    );
}

/** @param  array<string, mixed>  $more */
function changed(string $title, string $start, array $more): Event
{
    return Make::event($title, $start, more: $more);
}

$rowing = fn (): Series => new Series(Make::event('Rowing', '2026-11-02T09:30', rule: 'FREQ=WEEKLY;COUNT=5', uid: 'r'));

test('a change of this and all that follow moves each, and a change of one goes before it', function () use ($rowing) {
    $master = $rowing()->master;
    $series = new Series($master, [
        changed('Later', '2026-11-17T11:00', ['recurrenceId' => Make::time('2026-11-16T09:30'), 'andFollowing' => true]),
        changed('One', '2026-11-24T15:00', ['recurrenceId' => Make::time('2026-11-23T09:30')]),
    ]);
    expect(told($series))->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-17T11:00 Later', '11-24T15:00 One', '12-01T11:00 Later'])
        ->and($series->find(Make::time('2026-11-30T09:30')))->start->local->toDateTime()->toBe('2026-12-01T11:00:00')
        ->and($series->find(Make::time('2026-11-16T09:30')))->event->contents->title->toBe('Later')
        ->and($series->find(Make::time('2026-11-09T09:30')))->event->contents->title->toBe('Rowing')
        ->and($series->find(Make::time('2026-12-07T09:30')))->toBeNull();
});

test('an occurrence moved far is found in the window that it was moved to', function () use ($rowing) {
    $series = new Series($rowing()->master, [changed('Later', '2027-02-16T11:00', ['recurrenceId' => Make::time('2026-11-16T09:30'), 'andFollowing' => true])]);
    $from = LocalDateTime::parse('2027-02-22')->seconds;
    expect(array_map(static fn (Occurrence $each): string => $each->start->local->toDateTime(), $series->occurrences($from, $from + 86_400 * 3)))->toBe(['2027-02-23T11:00:00']);
    $earlier = new Series($rowing()->master, [changed('Sooner', '2026-10-12T11:00', ['recurrenceId' => Make::time('2026-11-16T09:30'), 'andFollowing' => true])]);
    $from = LocalDateTime::parse('2026-10-19')->seconds;
    expect(array_map(static fn (Occurrence $each): string => $each->start->local->toDateTime(), $earlier->occurrences($from, $from + 86_400)))->toBe(['2026-10-19T11:00:00']);
});

test('a changed one, skipped, is gone, and those that follow stay changed', function () use ($rowing) {
    $series = new Series($rowing()->master, [changed('Later', '2026-11-17T11:00', ['recurrenceId' => Make::time('2026-11-16T09:30'), 'andFollowing' => true])]);
    expect(told(OccurrenceChanges::skip($series, Make::time('2026-11-16T09:30'))))->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-24T11:00 Later', '12-01T11:00 Later']);
});

test('a series is parted in two, and nothing of it is lost or told twice', function () {
    $series = new Series(
        Make::event('Rowing', '2026-11-02T09:30', uid: 'r', more: ['recurrence' => new RecurrenceSet(
            [(new RuleParser)->parse('FREQ=WEEKLY;COUNT=6')],
            [new ExtraDate(Make::time('2026-11-05T09:30')), new ExtraDate(Make::time('2026-12-24T09:30'))],
            [Make::time('2026-11-09T09:30'), Make::time('2026-11-30T09:30')],
        )]),
        [changed('Early', '2026-11-03T10:00', ['recurrenceId' => Make::time('2026-11-02T09:30')]), changed('Late', '2026-12-08T10:00', ['recurrenceId' => Make::time('2026-12-07T09:30')])],
    );
    $at = Make::time('2026-11-23T09:30');
    $begins = $series->master->occurringAt($series->find($at))->repeating(OccurrenceChanges::rulesFrom($series->master, $at));
    [$before, $after] = OccurrenceChanges::following($series, $at, $begins, 'second');
    expect(told($before))->toBe(['11-03T10:00 Early', '11-05T09:30 Rowing', '11-16T09:30 Rowing'])
        ->and(told($after))->toBe(['11-23T09:30 Rowing', '12-08T10:00 Late', '12-24T09:30 Rowing'])
        ->and([...told($before), ...told($after)])->toBe(told($series))
        ->and($after->uid())->toBe('second')->and($after->overrides[0]->uid)->toBe('second');
});

test('the second part moves, and what was changed and skipped in it moves along', function () {
    $series = new Series(
        Make::event('Rowing', '2026-11-02T09:30', uid: 'r', more: ['recurrence' => new RecurrenceSet([(new RuleParser)->parse('FREQ=WEEKLY;UNTIL=20261221T235959Z')], [], [Make::time('2026-11-30T09:30')])]),
        [changed('Late', '2026-12-08T10:00', ['recurrenceId' => Make::time('2026-12-07T09:30')])],
    );
    $at = Make::time('2026-11-23T09:30');
    [$before, $after] = OccurrenceChanges::following($series, $at, Make::event('Sculling', '2026-11-25T14:00', rule: 'FREQ=WEEKLY;UNTIL=20261224T235959Z'), 'second');
    expect(told($before))->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-16T09:30 Rowing'])
        ->and(told($after))->toBe(['11-25T14:00 Sculling', '12-08T10:00 Late', '12-16T14:00 Sculling', '12-23T14:00 Sculling']);
});

test('parted at its first, a series is the second alone', function () use ($rowing) {
    [$before, $after] = OccurrenceChanges::following($rowing(), Make::time('2026-11-02T09:30'), $rowing()->master, 'second');
    expect($before)->toBeNull()->and(told($after))->toBe(told($rowing()));
});

test('the end before an occurrence is written as the kind of its start asks for', function (string $start, ?string $zone, string $at, string $until) {
    $series = new Series(Make::event('x', $start, rule: 'FREQ=WEEKLY', zone: $zone));
    expect((string) OccurrenceChanges::endingBefore($series, Make::time($at, $zone))->master->timing->recurrence->rules[0])->toBe("FREQ=WEEKLY;UNTIL={$until}");
})->with([
    'in a zone' => ['2026-07-06T09:30', 'Europe/London', '2026-07-20T09:30', '20260720T082959Z'],
    'floating' => ['2026-07-06T09:30', null, '2026-07-20T09:30', '20260720T092959'],
    'whole days' => ['2026-07-06', null, '2026-07-20', '20260719'],
]);

test('an extra date that is a period has its own length', function () {
    $series = new Series(Make::event('Rowing', '2026-11-02T09:30', uid: 'r', more: ['recurrence' => new RecurrenceSet(
        [(new RuleParser)->parse('FREQ=WEEKLY;COUNT=2')], [new ExtraDate(Make::time('2026-11-04T09:00'), Make::time('2026-11-06T17:00')), new ExtraDate(Make::time('2026-11-09T09:30'), Make::time('2026-11-09T10:00'))],
    )]));
    $ends = array_map(static fn (Occurrence $each): string => $each->localEnd()->toDateTime(), $series->occurrences(0, LocalDateTime::parse('2027-01-01')->seconds));
    expect($ends)->toBe(['2026-11-02T10:30:00', '2026-11-06T17:00:00', '2026-11-09T10:00:00']);
    // Found in a window that only its length reaches.
    $from = LocalDateTime::parse('2026-11-06T12:00')->seconds;
    expect($series->occurrences($from, $from + 60))->toHaveCount(1);
});

<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/** @return list<string> */
function times(Series $series, string $from = '2026-11-01', string $to = '2026-12-01'): array
{
    return array_map(
        static fn (Occurrence $each): string => substr($each->start->local->toDateTime(), 5, 11).' '.$each->event->contents->title,
        $series->occurrences(LocalDateTime::parse($from)->seconds, LocalDateTime::parse($to)->seconds),
    );
}

$weekly = fn (): Series => new Series(Make::event('Rowing', rule: 'FREQ=WEEKLY;COUNT=4'));
$moved = fn (Series $series, string $id, string $to): Event => Make::event('Rowing, moved', $to, more: ['recurrenceId' => Make::time($id)]);

test('occurrences that overlap a window are found, however long before it they began', function (string $start, string $end, bool $overlaps) {
    $series = new Series(Make::event('One', $start, $end));
    expect(count($series->occurrences(Make::time('2026-11-10T00:00')->indexSeconds(), Make::time('2026-11-11T00:00')->indexSeconds())) === 1)->toBe($overlaps);
})->with([
    'inside' => ['2026-11-10T09:00', '2026-11-10T10:00', true],
    'over midnight into it' => ['2026-11-09T22:00', '2026-11-10T00:30', true],
    'ends as it begins' => ['2026-11-09T22:00', '2026-11-10T00:00', false],
    'begins as it ends' => ['2026-11-11T00:00', '2026-11-11T01:00', false],
    'without length, where it begins' => ['2026-11-10T00:00', '2026-11-10T00:00', true],
    'over all of it' => ['2026-01-01T00:00', '2027-01-01T00:00', true],
    'an all-day event' => ['2026-11-08', '2026-11-11', true],
    'an all-day event that ended' => ['2026-11-08', '2026-11-10', false],
]);

test('a changed occurrence takes the place of its original', function () use ($weekly, $moved) {
    $series = OccurrenceChanges::one($weekly(), $moved($weekly(), '2026-11-09T09:30', '2026-11-12T14:00'));
    expect(times($series))->toBe(['11-02T09:30 Rowing', '11-12T14:00 Rowing, moved', '11-16T09:30 Rowing', '11-23T09:30 Rowing']);
    $again = OccurrenceChanges::one($series, $moved($series, '2026-11-09T09:30', '2026-11-13T08:00'));
    expect(times($again))->toHaveCount(4)->toContain('11-13T08:00 Rowing, moved')->not->toContain('11-12T14:00 Rowing, moved')
        ->and($again->find(Make::time('2026-11-09T09:30'))->start->local->toDateTime())->toBe('2026-11-13T08:00:00')
        ->and($again->find(Make::time('2026-11-10T09:30')))->toBeNull();
});

test('a skipped occurrence is gone and can come back', function () use ($weekly, $moved) {
    $id = Make::time('2026-11-09T09:30');
    $skipped = OccurrenceChanges::skip(OccurrenceChanges::one($weekly(), $moved($weekly(), '2026-11-09T09:30', '2026-11-12T14:00')), $id);
    expect(times($skipped))->toBe(['11-02T09:30 Rowing', '11-16T09:30 Rowing', '11-23T09:30 Rowing'])
        ->and(times(OccurrenceChanges::unskip($skipped, $id)))->toBe(times($weekly()));
});

test('moving all of a series takes its skipped and changed occurrences along', function () use ($weekly, $moved) {
    $series = OccurrenceChanges::skip(OccurrenceChanges::one($weekly(), $moved($weekly(), '2026-11-09T09:30', '2026-11-12T14:00')), Make::time('2026-11-16T09:30'));
    $kept = OccurrenceChanges::all($series, Make::event('Rowing', '2026-11-03T11:00', more: ['recurrence' => $series->master->timing->recurrence]));
    expect(times($kept))->toBe(['11-03T11:00 Rowing', '11-12T14:00 Rowing, moved', '11-24T11:00 Rowing']);
});

test('an exact length stays exact over a clock change, a nominal one keeps the wall time', function () {
    $exact = new Series(Make::event('Watch', '2026-03-21T22:00', '2026-03-22T08:00', 'FREQ=WEEKLY;COUNT=2'));
    $nominal = new Series(Make::event('Day', '2026-03-21T12:00', '2026-03-22T12:00', 'FREQ=WEEKLY;COUNT=2', more: ['duration' => Duration::parse('P1D')]));
    $second = static fn (Series $series): string => $series->occurrences(0, LocalDateTime::parse('2027-01-01')->seconds)[1]->localEnd()->toDateTime();
    expect($second($exact))->toBe('2026-03-29T09:00:00')->and($second($nominal))->toBe('2026-03-29T12:00:00');
});

test('an event that cannot be is refused', function (Closure $make) {
    expect($make)->toThrow(InvalidTime::class);
})->with([
    'end before start' => [fn () => Make::event(end: '2026-11-02T09:00')],
    'an all-day event without a day' => [fn () => Make::event(start: '2026-11-02', end: '2026-11-02')],
    'a date and a time' => [fn () => Make::event(start: '2026-11-02', end: '2026-11-02T10:00')],
]);

test('an occurrence is named by its original start, whatever kind it is', function (string $text, ?string $zone, string $id) {
    $time = Make::time($text, $zone);
    expect(RecurrenceId::text($time))->toBe($id)->and(RecurrenceId::parse($id)->equals($time))->toBeTrue();
})->with([
    ['2026-07-02T09:30', 'Europe/London', '2026-07-02T08:30:00Z'],
    ['2026-07-02T09:30', null, '2026-07-02T09:30:00'],
    ['2026-07-02', null, '2026-07-02'],
]);

test('plain reminders are put anew, and those of another kind stay as a file had them', function () {
    $atEnd = new Reminder(new Duration(0, -600), true);
    $mail = new Reminder(new Duration(0, -900), action: 'EMAIL');
    $ten = new Reminder(new Duration(0, -600), extra: [new Property('DESCRIPTION', 'Off we go')]);
    expect(array_map(Reminders::minutes(...), [$atEnd, $mail, $ten, Reminders::before(2880), Reminders::before(0), new Reminder(new Duration(0, 60)), new Reminder(new Duration(0, -90))]))->toBe([null, null, 10, 2880, 0, null, null])
        ->and(Reminders::put([$atEnd, $ten, $mail], [10, 1440, 1440]))->toEqual([$atEnd, $ten, $mail, Reminders::before(1440)])
        ->and(Reminders::put([$atEnd, $ten], []))->toEqual([$atEnd])
        // A day before is a day on the wall, also over the night of a clock change.
        ->and(Reminders::before(1440)->offset?->addTo(Make::time('2026-10-25T09:00'))->local->toMinute())->toBe('2026-10-24T09:00');
});

<?php

use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesMove;
use PinnedRota\Core\Events\SeriesTimes;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Events\WeekLaying;
use PinnedRota\Core\OneLine\WhenText;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** @return list<string> each occurrence with its wall time and title */
function wall(?Series $series): array
{
    return $series === null ? [] : array_map(
        static fn (Occurrence $each): string => substr($each->start->local->toMinute(), 2).' '.$each->event->contents->title,
        $series->occurrences(LocalDateTime::parse('2026-01-01')->seconds, LocalDateTime::parse('2028-01-01')->seconds),
    );
}

/** A weekly series over the night when clocks go back, with an extra, a skipped and a changed time. */
function wateryWeeks(): Series
{
    $master = Make::event('Rowing', '2026-10-13T09:30', rule: 'FREQ=WEEKLY;UNTIL=20261110T235959Z', uid: 'r', more: ['categories' => ['Lesson', 'wet']]);
    $master = $master->repeating(new RecurrenceSet($master->timing->recurrence->rules, [new ExtraDate(Make::time('2026-10-15T09:30'))], [Make::time('2026-10-27T09:30')]));

    return new Series($master, [Make::event('Rowing, long', '2026-10-21T14:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-10-20T09:30')])]);
}

test('a series is shifted with all its times: what is changed, left out, added, and the last of them', function () {
    expect(wall(wateryWeeks()))->toBe(['26-10-13T09:30 Rowing', '26-10-15T09:30 Rowing', '26-10-21T14:00 Rowing, long', '26-11-03T09:30 Rowing', '26-11-10T09:30 Rowing'])
        // On the wall: nine stays nine over the clock change.
        ->and(wall((new BulkChange(shiftDays: 1))->apply(wateryWeeks())))->toBe(['26-10-14T09:30 Rowing', '26-10-16T09:30 Rowing', '26-10-22T14:00 Rowing, long', '26-11-04T09:30 Rowing', '26-11-11T09:30 Rowing'])
        ->and(wall((new BulkChange(shiftDays: 7, shiftMinutes: -30))->apply(wateryWeeks())))->toBe(['26-10-20T09:00 Rowing', '26-10-22T09:00 Rowing', '26-10-28T13:30 Rowing, long', '26-11-10T09:00 Rowing', '26-11-17T09:00 Rowing'])
        ->and(wall((new BulkChange(shiftDays: -7))->apply((new BulkChange(shiftDays: 7))->apply(wateryWeeks()))))->toBe(wall(wateryWeeks()));
});

test('a daily series that ends at a moment keeps its last time when it begins later', function () {
    $series = new Series(Make::event('Tide', '2026-10-24T09:00', rule: 'FREQ=DAILY;UNTIL=20261027T090000Z'));
    expect(wall((new BulkChange(shiftMinutes: 45))->apply($series)))->toBe(['26-10-24T09:45 Tide', '26-10-25T09:45 Tide', '26-10-26T09:45 Tide', '26-10-27T09:45 Tide']);
});

test('what a rule fixes is not moved to other days, and moves in its hours', function () {
    $series = new Series(Make::event('Drill', '2026-11-10T09:00', rule: 'FREQ=MONTHLY;BYDAY=2TU;COUNT=3'));
    expect(fn () => (new BulkChange(shiftDays: 1))->apply($series))->toThrow(InvalidRule::class)
        ->and(wall((new BulkChange(shiftMinutes: 60))->apply($series)))->toBe(['26-11-10T10:00 Drill', '26-12-08T10:00 Drill', '27-01-12T10:00 Drill']);
});

test('whole days stay whole days', function () {
    $event = (new BulkChange(shiftDays: 3, shiftMinutes: 600))->apply(new Series(Make::event('Away', '2026-11-10', '2026-11-12')))->master;
    expect([$event->timing->isAllDay(), $event->timing->start->local->toDate(), $event->timing->end->local->toDate()])->toBe([true, '2026-11-13', '2026-11-15']);
});

test('one change is made of all that it says, and of nothing else', function () {
    $ben = new Participant('mailto:ben@example.org', 'Ben', role: ParticipantRole::Optional, answer: ParticipantAnswer::Declined);
    $guest = new Participant('mailto:guest@example.org', 'Guest');
    $series = new Series(Make::event(more: ['categories' => ['Lesson', 'wet'], 'place' => 'Slip', 'participants' => [$ben, $guest], 'description' => 'kept']));
    $change = new BulkChange(place: '', status: Status::Provisional, busy: false, private: true, priority: 2, addCategories: ['LESSON', 'indoors'], dropCategories: ['WET'],
        addParticipants: [new Participant('mailto:BEN@example.org', role: ParticipantRole::Responsible)], dropParticipants: [new Participant('mailto:guest@example.org')]);
    $event = $change->apply($series)->master;
    expect([$event->contents->place, $event->contents->status, $event->contents->busy, $event->contents->private, $event->contents->priority, $event->contents->categories, $event->contents->description])->toBe(['', Status::Provisional, false, true, 2, ['Lesson', 'indoors'], 'kept'])
        ->and($event->participants)->toEqual([new Participant('mailto:ben@example.org', 'Ben', role: ParticipantRole::Responsible, answer: ParticipantAnswer::Declined)])
        ->and((new BulkChange)->apply($series))->toEqual($series);
});

test('it holds for times that were changed on their own, too', function () {
    $after = (new BulkChange(title: 'Sculling', place: 'Pontoon'))->apply(wateryWeeks());
    expect([$after->master->contents->title, $after->overrides[0]->contents->title, $after->overrides[0]->contents->place])->toBe(['Sculling', 'Sculling', 'Pontoon'])
        ->and($after->find(Make::time('2026-10-20T09:30'))->start->local->toMinute())->toBe('2026-10-21T14:00');
    $alone = new Series(null, wateryWeeks()->overrides);
    expect((new BulkChange(shiftDays: 1))->apply($alone)->overrides[0]->timing->start->local->toMinute())->toBe('2026-10-22T14:00');
});

test('a series that begins on another day keeps every time that it had', function (string $rule, string $to, array $days) {
    $from = Make::time('2026-11-10T09:30');
    $start = Make::time($to);
    $moved = RecurrenceShift::of(new RecurrenceSet([(new RuleParser)->parse($rule)]), $from, $start);
    expect(array_map(fn ($time): string => $time->local->toMinute(), $moved->startsBetween($start, 0, LocalDateTime::parse('2027-12-01')->seconds)))->toBe($days);
})->with([
    'weekly until its last day' => ['FREQ=WEEKLY;BYDAY=TU;UNTIL=20261124T235959Z', '2026-11-11T09:30', ['2026-11-11T09:30', '2026-11-18T09:30', '2026-11-25T09:30']],
    'weekly on several days, so many times' => ['FREQ=WEEKLY;BYDAY=TU,TH;COUNT=3', '2026-11-12T10:00', ['2026-11-12T10:00', '2026-11-14T10:00', '2026-11-19T10:00']],
    'to whole days' => ['FREQ=WEEKLY;BYDAY=TU;UNTIL=20261124T093000Z', '2026-11-11', ['2026-11-11T00:00', '2026-11-18T00:00', '2026-11-25T00:00']],
]);

test('dates left out are meant as they are given, or move along', function () {
    $series = wateryWeeks();
    $master = $series->master->with(timing: $series->master->timing->startingAt(Make::time('2026-10-13T10:00'))->repeating(new RecurrenceSet($series->master->timing->recurrence->rules, [], [Make::time('2026-11-03T10:00')])));
    expect(wall(OccurrenceChanges::all($series, $master, skippedAsGiven: true)))->toBe(['26-10-13T10:00 Rowing', '26-10-21T14:00 Rowing, long', '26-10-27T10:00 Rowing', '26-11-10T10:00 Rowing']);
    $kept = $series->master->with(timing: $series->master->timing->startingAt(Make::time('2026-10-13T10:00')));
    expect(wall(OccurrenceChanges::all($series, $kept)))->not->toContain('26-10-27T10:00 Rowing');
});

test('when an event is can be typed anew', function (string $text, ?string $start, string $end = '') {
    $read = fn () => WhenText::read($text, Make::time('2026-11-25T09:30'), Make::time('2026-11-25T11:00'), Zone::of('Europe/London'), LocalDateTime::parse('2026-12-30T15:00'));
    if ($start === null) {
        return expect($read)->toThrow(InvalidTime::class);
    }
    [$from, $to] = $read();
    $tell = fn ($time): string => $from->kind->value === 'date' ? $time->local->toDate() : $time->local->toMinute();
    expect([$tell($from), $tell($to)])->toBe([$start, $end]);
})->with([
    'a time keeps its day' => ['14:00–15:00', '2026-11-25T14:00', '2026-11-25T15:00'],
    'a start keeps its length' => ['14:00', '2026-11-25T14:00', '2026-11-25T15:30'],
    'a day keeps its times' => ['fri', '2026-11-27T09:30', '2026-11-27T11:00'],
    'a date keeps its times' => ['3 dec 2026', '2026-12-03T09:30', '2026-12-03T11:00'],
    'day and time' => ['Fri 9:30–11', '2026-11-27T09:30', '2026-11-27T11:00'],
    'a length' => ['3 dec 9:00 for 2 hours', '2026-12-03T09:00', '2026-12-03T11:00'],
    'several days' => ['3 dec to 5 dec', '2026-12-03', '2026-12-06'],
    'as the table tells it' => ['2026-12-03 09:30–11:00', '2026-12-03T09:30', '2026-12-03T11:00'],
    'whole days as the table tells them' => ['2026-12-03 to 2026-12-05', '2026-12-03', '2026-12-06'],
    'over midnight as the table tells it' => ['2026-12-03 22:00 to 2026-12-04 06:00', '2026-12-03T22:00', '2026-12-04T06:00'],
    'tomorrow is from today' => ['tomorrow', '2026-12-31T09:30', '2026-12-31T11:00'],
    'today, too' => ['today 14:00', '2026-12-30T14:00', '2026-12-30T15:30'],
    'next week is from today' => ['wed next week', '2027-01-06T09:30', '2027-01-06T11:00'],
    'so many weeks from today' => ['in two weeks', '2027-01-13T09:30', '2027-01-13T11:00'],
    'the morning is no distance' => ['fri in the morning', '2026-11-27T09:00', '2026-11-27T10:30'],
    'a night until tomorrow' => ['wed 22:00 to tomorrow 6:00', '2026-12-30T22:00', '2026-12-31T06:00'],
    'no time' => ['when the tide is out', null],
    'nothing' => ['', null],
    'a repeat' => ['every friday 9:00', null],
    'more than a time' => ['Fri 9:30 Long loft', null],
]);

test('a time typed on one wall is kept on that of the event', function () {
    [$from, $to] = WhenText::read('10:00–12:00', Make::time('2026-11-25T09:30', 'America/New_York'), Make::time('2026-11-25T10:30', 'America/New_York'), Zone::of('Europe/London'), LocalDateTime::parse('2026-12-30T15:00'));
    expect([$from->local->toMinute(), $to->local->toMinute(), $from->zone->id])->toBe(['2026-11-25T05:00', '2026-11-25T07:00', 'America/New_York']);
});

describe('a time of a series goes elsewhere', function () {
    $to = fn (string $start, string $end): Closure => fn (): array => [Make::time($start), Make::time($end)];
    $move = fn (?string $occurrence, SeriesTimes $times, Closure $to): array => array_map(wall(...), SeriesMove::by(wateryWeeks(), $occurrence === null ? null : Make::time($occurrence), $times, $to, 'second'));
    $rest = ['26-10-21T14:00 Rowing, long', '26-11-03T09:30 Rowing', '26-11-10T09:30 Rowing'];

    test('alone', function () use ($move, $to, $rest) {
        expect($move('2026-10-15T09:30', SeriesTimes::One, $to('2026-10-16T11:00', '2026-10-16T12:00')))->toBe([['26-10-13T09:30 Rowing', '26-10-16T11:00 Rowing', ...$rest], []])
            ->and($move('2026-10-20T09:30', SeriesTimes::One, $to('2026-10-22T14:00', '2026-10-22T15:00'))[0][2])->toBe('26-10-22T14:00 Rowing, long');
    });

    test('with all, by as many days and to the same hour, however late in the series it is', function () use ($move, $to) {
        [$all, $second] = $move('2026-11-03T09:30', SeriesTimes::All, $to('2026-11-04T11:00', '2026-11-04T12:30'));
        expect($all)->toBe(['26-10-14T11:00 Rowing', '26-10-16T11:00 Rowing', '26-10-21T14:00 Rowing, long', '26-11-04T11:00 Rowing', '26-11-11T11:00 Rowing'])->and($second)->toBe([]);
        $series = SeriesMove::by(wateryWeeks(), Make::time('2026-11-03T09:30'), SeriesTimes::All, $to('2026-11-04T11:00', '2026-11-04T12:30'), 'second')[0];
        expect($series->master->timing->lengthSeconds())->toBe(90 * 60);
    });

    test('with all that follow, which are a series of their own from there', function () use ($move, $to) {
        expect($move('2026-11-03T09:30', SeriesTimes::Following, $to('2026-11-03T11:00', '2026-11-03T12:00')))
            ->toBe([['26-10-13T09:30 Rowing', '26-10-15T09:30 Rowing', '26-10-21T14:00 Rowing, long'], ['26-11-03T11:00 Rowing', '26-11-10T11:00 Rowing']])
            ->and($move('2026-10-13T09:30', SeriesTimes::Following, $to('2026-10-13T10:00', '2026-10-13T11:00'))[1])->toBe([]);
    });

    test('a time that there is not cannot', function () use ($move, $to) {
        expect(fn () => $move('2026-10-14T09:30', SeriesTimes::One, $to('2026-10-16T11:00', '2026-10-16T12:00')))->toThrow(InvalidTime::class);
    });

    test('what does not repeat has one time, whatever is said', function () use ($to) {
        $once = new Series(wateryWeeks()->master->repeating(new RecurrenceSet));
        expect(wall(SeriesMove::by($once, null, SeriesTimes::Following, $to('2026-10-14T08:00', '2026-10-14T09:00'), 'second')[0]))->toBe(['26-10-14T08:00 Rowing']);
    });
});

describe('a week laid over weeks', function () {
    $day = fn (string $date): int => LocalDateTime::parse($date)->day();
    // The week of 2 November, laid over four weeks from the 9th; the 19th and the 30th are closed.
    $laying = fn (int $every = 1, array $closed = ['2026-11-19', '2026-11-30'], string $from = '2026-11-09', string $to = '2026-12-06'): WeekLaying => new WeekLaying($day('2026-11-02'), $day($from), $day($to), $every, array_fill_keys(array_map($day, $closed), true));
    $laid = fn (WeekLaying $week, Event $event): array => array_map(fn (string $each): string => substr($each, 3, 5), wall($week->lay($event, 'new')));

    test('each event becomes a series without the closed days', function () use ($laying, $laid) {
        expect($laid($laying(), Make::event('Lofting', '2026-11-05T09:00')))->toBe(['11-12', '11-26', '12-03'])
            ->and($laid($laying(), Make::event('Tools', '2026-11-02T09:00')))->toBe(['11-09', '11-16', '11-23'])
            ->and($laid($laying(), Make::event('Race', '2026-11-08')))->toBe(['11-15', '11-22', '11-29', '12-06'])
            ->and($laid($laying(2), Make::event('Tools', '2026-11-03T09:00')))->toBe(['11-10', '11-24'])
            ->and($laying()->lay(Make::event('Lofting', '2026-11-05T09:00', uid: 'old'), 'new')->uid())->toBe('new');
    });

    test('what lasts days is left out where one of them is closed', function () use ($laying, $laid) {
        expect($laid($laying(), Make::event('Camp', '2026-11-03', '2026-11-06')))->toBe(['11-10', '11-24', '12-01'])
            // What ends at midnight takes up no further day.
            ->and($laid($laying(closed: ['2026-11-12']), Make::event('Watch', '2026-11-04T20:00', '2026-11-05T00:00')))->toBe(['11-11', '11-18', '11-25', '12-02']);
    });

    test('the first day that is open begins it, and one day alone is no series', function () use ($laying, $laid) {
        expect($laid($laying(closed: ['2026-11-10', '2026-11-17']), Make::event('Tools', '2026-11-03T09:00')))->toBe(['11-24', '12-01'])
            ->and($laying(closed: ['2026-11-10', '2026-11-17', '2026-11-24'])->lay(Make::event('Tools', '2026-11-03T09:00'), 'n')->master->timing->recurrence->repeats())->toBeFalse()
            ->and($laying(closed: ['2026-11-10', '2026-11-17', '2026-11-24', '2026-12-01'])->lay(Make::event('Tools', '2026-11-03T09:00'), 'n'))->toBeNull();
    });

    test('a range that holds the week itself does not put it there twice', function () use ($laying, $laid) {
        expect($laid($laying(from: '2026-10-19', to: '2026-11-15', closed: []), Make::event('Tools', '2026-11-03T09:00')))->toBe(['10-20', '10-27', '11-10']);
    });

    test('the wall time holds over a clock change, and the people stay', function () use ($laying) {
        $series = $laying(from: '2027-03-15', to: '2027-04-11', closed: [])->lay(Make::event('Tools', '2026-11-02T09:00', more: ['participants' => [new Participant('mailto:ada@example.org')]]), 'n');
        expect(wall($series))->toBe(['27-03-15T09:00 Tools', '27-03-22T09:00 Tools', '27-03-29T09:00 Tools', '27-04-05T09:00 Tools'])->and($series->master->participants)->toHaveCount(1);
    });
});

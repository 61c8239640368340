<?php

use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\TeachingDays;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/* What repeats in term only, or in the weeks of one letter: worked out from the school's year, and told to others as plain dates. */
function taught(TermWeeks $weeks = TermWeeks::Term, array $closed = [], ?SchoolYear $year = null): TeachingDays
{
    return new TeachingDays($weeks, $year ?? SchoolYear::fromArray(['alternates' => true, 'terms' => [
        ['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'halfTerms' => [['from' => '2026-10-26', 'to' => '2026-10-30']]],
        ['name' => 'Spring', 'from' => '2027-01-06', 'to' => '2027-03-25', 'halfTerms' => [['from' => '2027-02-15', 'to' => '2027-02-19']]],
    ]]), array_fill_keys(array_map(static fn (string $date): int => LocalDateTime::parse($date)->day(), $closed), true));
}

/** @return list<string> the days of a weekly series, from its start on */
function lessons(RecurrenceSet $set, string $start = '2026-10-13T09:00', string $until = '2027-06-01'): array
{
    $from = EventTime::zoned(LocalDateTime::parse($start), Zone::of('Europe/London'));

    return array_map(static fn (EventTime $time): string => substr($time->local->toDate(), 5), $set->startsBetween($from, $from->indexSeconds(), LocalDateTime::parse($until)->seconds));
}

function weekly(?TeachingDays $within, string $rule = 'FREQ=WEEKLY'): RecurrenceSet
{
    return RecurrenceText::read("RRULE:{$rule}")->keptTo($within);
}

test('it is on every week of its terms, over half-terms and the end of a year, and ends with the last term that is known', function () {
    expect(lessons(weekly(taught())))->toBe(['10-13', '10-20', '11-03', '11-10', '11-17', '11-24', '12-01', '12-08', '12-15', '01-12', '01-19', '01-26', '02-02', '02-09', '02-23', '03-02', '03-09', '03-16', '03-23']);
});

test('in weeks of one letter it is every other week, and goes on after a half-term as the school counts', function () {
    expect(lessons(weekly(taught(TermWeeks::A)), until: '2026-12-20'))->toBe(['10-20', '11-10', '11-24', '12-08'])
        ->and(lessons(weekly(taught(TermWeeks::B)), until: '2026-12-20'))->toBe(['10-13', '11-03', '11-17', '12-01', '12-15']);
});

test('what is closed is left out, and comes back when it is closed no more', function () {
    $november = static fn (TeachingDays $days): array => lessons(weekly($days), '2026-11-03T09:00', '2026-11-20');
    expect($november(taught(closed: ['2026-11-10'])))->toBe(['11-03', '11-17'])->and($november(taught()))->toBe(['11-03', '11-10', '11-17']);
});

test('a start on which there is no school is not on, an extra date is, and skipped ones stay so', function () {
    $set = RecurrenceText::read("RRULE:FREQ=WEEKLY\nRDATE:20261229T090000Z\nEXDATE:20261110T090000Z", Zone::of('Europe/London'))->keptTo(taught());
    expect(lessons($set, '2026-10-27T09:00', '2027-01-01'))->toBe(['11-03', '11-17', '11-24', '12-01', '12-08', '12-15', '12-29']);
});

test('before the first term that is known what was stays, and without any terms only closures count', function () {
    expect(lessons(weekly(taught()), '2026-08-25T09:00', '2026-09-20'))->toBe(['08-25', '09-01', '09-08', '09-15'])
        ->and(lessons(weekly(taught(TermWeeks::A, ['2026-11-10'], SchoolYear::fromArray([]))), '2026-11-03T09:00', '2026-11-20'))->toBe(['11-03', '11-17']);
});

test('where weeks have no letters, those of either letter are all of term', function () {
    $year = SchoolYear::fromArray(['terms' => [['name' => 'Autumn', 'from' => '2026-11-02', 'to' => '2026-11-20']]]);
    expect(lessons(weekly(taught(TermWeeks::A, year: $year)), '2026-11-03T09:00'))->toBe(['11-03', '11-10', '11-17']);
});

test('it is stored with the weeks that it is kept to, and read back with the days as they are then', function () {
    $set = weekly(taught(TermWeeks::B));
    $text = (string) RecurrenceText::write($set);
    expect($text)->toBe("RRULE:FREQ=WEEKLY\nX-SCHOOL-WEEKS:B")
        ->and(RecurrenceText::read($text, null, static fn (TermWeeks $weeks): TeachingDays => taught($weeks)))->toEqual($set)
        ->and(RecurrenceText::read($text)->within)->toBeNull();
});

test('it says so in words', function (TermWeeks $weeks, string $words) {
    expect(RecurrenceWords::of(weekly(taught($weeks)), EventTime::date(LocalDateTime::parse('2026-11-03'))))->toBe($words);
})->with([[TermWeeks::Term, 'every week on Tuesday, in term only'], [TermWeeks::A, 'every week on Tuesday, in A weeks only']]);

test('others are told plain dates: what they work out is what is on here', function (string $rule, TermWeeks $weeks, string $start) {
    $from = EventTime::zoned(LocalDateTime::parse($start), Zone::of('Europe/London'));
    $set = weekly(taught($weeks, ['2026-11-24']), $rule);
    $told = $set->told($from);
    expect($told->within)->toBeNull()->and((string) RecurrenceText::write($told))->not->toContain('SCHOOL')
        ->and(lessons($told, $start, '2030-01-01'))->toBe(lessons($set, $start, '2030-01-01'));
})->with([
    'without an end' => ['FREQ=WEEKLY', TermWeeks::Term, '2026-10-13T09:00'],
    'in A weeks' => ['FREQ=WEEKLY;BYDAY=TU,TH', TermWeeks::A, '2026-10-13T09:00'],
    'until a day in term' => ['FREQ=WEEKLY;UNTIL=20261201T235959Z', TermWeeks::Term, '2026-10-13T09:00'],
    'until long after' => ['FREQ=WEEKLY;UNTIL=20291201T235959Z', TermWeeks::Term, '2026-10-13T09:00'],
    'so many times, within a term' => ['FREQ=WEEKLY;COUNT=6', TermWeeks::Term, '2026-10-13T09:00'],
    'so many times, beyond the last' => ['FREQ=WEEKLY;COUNT=60', TermWeeks::Term, '2026-10-13T09:00'],
    'every day' => ['FREQ=DAILY', TermWeeks::B, '2026-10-20T09:00'],
    'begun on no day of school' => ['FREQ=WEEKLY', TermWeeks::Term, '2026-10-27T09:00'],
    'begun after the last' => ['FREQ=WEEKLY', TermWeeks::Term, '2027-05-04T09:00'],
]);

test('parted in two, moved and skipped it is kept to school as before', function () {
    $master = Make::event(start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY');
    $master = $master->repeating($master->timing->recurrence->keptTo(taught()));
    $series = new Series($master);
    $at = EventTime::zoned(LocalDateTime::parse('2026-12-01T09:00'), Zone::of('Europe/London'));
    [$first, $second] = OccurrenceChanges::following($series, $at, $master->with(timing: $master->timing->startingAt($at)), 'second');
    expect($first?->master?->timing->recurrence->within)->toEqual(taught())->and($second->master?->timing->recurrence->within)->toEqual(taught())
        ->and(OccurrenceChanges::skip($series, $at)->master?->timing->recurrence->within)->toEqual(taught())
        ->and(OccurrenceChanges::all($series, $master->with(timing: $master->timing->startingAt(EventTime::zoned(LocalDateTime::parse('2026-11-03T11:00'), Zone::of('Europe/London')))))->master?->timing->recurrence->within)->toEqual(taught());
});

<?php

use PinnedRota\Core\OneLine\NamedDay;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\SchoolYear\InvalidSchoolYear;
use PinnedRota\Core\SchoolYear\SchoolDateWords;
use PinnedRota\Core\SchoolYear\SchoolWeek;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\LocalDateTime;

/* Terms, half-terms, and what weeks are called by them. 7 September 2026 is a Monday. */
function schoolYear(bool $alternates = true, bool $halfTermCounts = false, string $springStarts = 'A'): SchoolYear
{
    return SchoolYear::fromArray(['alternates' => $alternates, 'halfTermCounts' => $halfTermCounts, 'terms' => [
        ['name' => 'Spring', 'from' => '2027-01-06', 'to' => '2027-03-25', 'startsWith' => $springStarts, 'halfTerms' => [['name' => 'Half-term', 'from' => '2027-02-15', 'to' => '2027-02-19']]],
        ['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'halfTerms' => [['from' => '2026-10-26', 'to' => '2026-10-30']]],
    ]]);
}

function schoolDay(string $date): int
{
    return LocalDateTime::parse($date)->day();
}

test('weeks are counted by those in which there is school, and the half-term goes by its name', function (string $date, ?string $name) {
    expect(schoolYear()->weekOf(schoolDay($date))?->name())->toBe($name);
})->with([
    'before' => ['2026-09-06', null],
    'the first' => ['2026-09-07', 'Autumn, week 1 · A'],
    'its Sunday' => ['2026-09-13', 'Autumn, week 1 · A'],
    'the last before half-term' => ['2026-10-25', 'Autumn, week 7 · A'],
    'half-term' => ['2026-10-28', 'Autumn, half-term'],
    'after it the number goes on, and so does the letter' => ['2026-11-02', 'Autumn, week 8 · B'],
    'the last' => ['2026-12-18', 'Autumn, week 14 · B'],
    'holidays' => ['2026-12-21', null],
    'a term begins within a week' => ['2027-01-04', 'Spring, week 1 · A'],
    'over a half-term in the new year' => ['2027-02-22', 'Spring, week 7 · A'],
    'a term ends within a week' => ['2027-03-26', 'Spring, week 11 · A'],
]);

test('a half-term takes its turn where the school has it so', function () {
    $letters = static fn (SchoolYear $year): string => implode('', array_map(static fn (SchoolWeek $week): string => $week->letter->value ?? '-', $year->weeksBetween(schoolDay('2026-10-12'), schoolDay('2026-11-16'))));
    expect($letters(schoolYear()))->toBe('BA-BA')->and($letters(schoolYear(halfTermCounts: true)))->toBe('BA-AB')->and($letters(schoolYear(alternates: false)))->toBe('-----');
});

test('each term says with which letter it begins', function () {
    expect(schoolYear(springStarts: 'B')->weekOf(schoolDay('2027-01-06'))?->short())->toBe('1 · B')
        ->and(schoolYear(alternates: false)->weekOf(schoolDay('2027-01-06'))?->short())->toBe('1');
});

test('a half-term of a part of a week leaves it a week of school', function () {
    $year = SchoolYear::fromArray(['terms' => [['name' => 'Summer', 'from' => '2027-04-12', 'to' => '2027-07-16', 'halfTerms' => [['from' => '2027-05-31', 'to' => '2027-06-02']]]]]);
    expect($year->weekOf(schoolDay('2027-06-01'))?->name())->toBe('Summer, week 8')
        ->and($year->isInTerm(schoolDay('2027-06-01')))->toBeFalse()
        ->and($year->isInTerm(schoolDay('2027-06-03')))->toBeTrue();
});

test('a term over the end of a year, and one that begins on a weekend', function () {
    $year = SchoolYear::fromArray(['terms' => [['name' => 'Winter', 'from' => '2026-11-28', 'to' => '2027-01-08']]]);
    expect($year->weekOf(schoolDay('2026-11-28')))->toBeNull()
        ->and($year->weekOf(schoolDay('2026-11-30'))?->name())->toBe('Winter, week 1')
        ->and($year->weekOf(schoolDay('2027-01-01'))?->name())->toBe('Winter, week 5')
        ->and($year->weekOf(schoolDay('2027-01-04'))?->name())->toBe('Winter, week 6');
});

test('numbers of a term follow each other without a gap, whatever its half-terms are', function () {
    mt_srand(15);
    for ($round = 0; $round < 200; $round++) {
        $first = schoolDay('2026-09-01') + mt_rand(0, 30);
        $last = $first + mt_rand(20, 110);
        $half = mt_rand($first, $last);
        $date = static fn (int $day): string => (new LocalDateTime($day * 86400))->toDate();
        $year = SchoolYear::fromArray(['alternates' => true, 'terms' => [['name' => 'T', 'from' => $date($first), 'to' => $date($last), 'halfTerms' => [['from' => $date($half), 'to' => $date(min($last, $half + mt_rand(0, 13)))]]]]]);
        $weeks = $year->weeksBetween($first, $last + 1);
        $taught = array_values(array_filter($weeks, static fn (SchoolWeek $week): bool => $week->number !== null));
        expect(array_map(static fn (SchoolWeek $week): ?int => $week->number, $taught))->toBe($taught === [] ? [] : range(1, count($taught)));
        foreach ($taught as $week) {
            expect($year->weekNumbered((int) $week->number, $first, false))->toBe($week->monday);
        }
    }
});

test('what is stored is read back', function () {
    expect(SchoolYear::fromArray(schoolYear()->toArray()))->toEqual(schoolYear())
        ->and(schoolYear()->toArray()['terms'][0])->toBe(['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'startsWith' => 'A', 'halfTerms' => [['name' => 'Half-term', 'from' => '2026-10-26', 'to' => '2026-10-30']]]);
});

test('what cannot be a year is refused, with the term that is wrong', function (array $terms, string $why, ?int $term) {
    try {
        SchoolYear::fromArray(['terms' => $terms]);
        expect(false)->toBeTrue();
    } catch (InvalidSchoolYear $wrong) {
        expect([$wrong->getMessage(), $wrong->term])->toBe([$why, $term]);
    }
})->with([
    [[['name' => '', 'from' => '2026-09-07', 'to' => '2026-12-18']], 'Give each term a name.', 0],
    [[['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '']], 'Enter the first and the last day.', 0],
    [[['name' => 'Autumn', 'from' => '2026-12-18', 'to' => '2026-09-07']], 'Autumn ends before it begins.', 0],
    [[['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2028-09-07']], 'Autumn is longer than a year.', 0],
    [[['name' => 'Spring', 'from' => '2026-12-18', 'to' => '2027-03-01'], ['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18']], 'Spring begins before Autumn has ended.', 0],
    [[['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'halfTerms' => [['from' => '2026-12-14', 'to' => '2026-12-20']]]], 'Half-term is not within Autumn.', 0],
    [array_fill(0, 41, ['name' => 'T', 'from' => '2026-09-07', 'to' => '2026-12-18']), 'That is more than 40 terms.', null],
]);

test('days are found as a school says them', function (string $words, ?string $date) {
    expect(SchoolDateWords::read($words, LocalDateTime::parse('2026-11-27T10:00'), schoolYear())?->toDate())->toBe($date);
})->with([
    ['week 4', '2026-09-28'], ['Week 12', '2026-11-30'], ['term week 12', '2026-11-30'], ['tue week 12', '2026-12-01'], ['week 12 fri', '2026-12-04'], ['wed of week 13', '2026-12-09'],
    ['half-term', '2027-02-15'], ['half term', '2027-02-15'], ['spring half-term', '2027-02-15'], ['end of term', '2026-12-18'], ['start of term', '2027-01-06'], ['spring', '2027-01-06'], ['end of spring', '2027-03-25'],
    // What no term has is a week of the year.
    ['week 48', '2026-11-23'], ['week 60', null], ['summer', null], ['weeks', null],
]);

test('in one line the weeks of school are understood, and a repeat goes on until a half-term', function (string $line, ?string $start, ?string $until, string $title) {
    $year = schoolYear();
    $days = [];
    foreach (SchoolDateWords::named(schoolDay('2026-11-27'), $year) as $name => [$first, $last]) {
        $days[] = new NamedDay($name, new LocalDateTime($first * 86400), $last - $first + 1);
    }
    $read = OneLineReader::read($line, new Vocabulary(days: $days, year: $year), LocalDateTime::parse('2026-11-27T10:00'));
    expect([$read->start?->toMinute(), $read->until?->toDate(), $read->title])->toBe([$start, $until, $title]);
})->with([
    ['oar test tue week 12 9:00', '2026-12-01T09:00', null, 'oar test'],
    ['regatta week 13', '2026-12-07T00:00', null, 'regatta'],
    // What is past of this term is meant of the next.
    ['oar test mon week 4 9:00', '2027-01-25T09:00', null, 'oar test'],
    ['rowing every tue 9:00 until half-term', '2026-12-01T09:00', '2027-02-14', 'rowing'],
    ['rowing every tue 9:00 until week 13', '2026-12-01T09:00', '2026-12-13', 'rowing'],
    // Which weeks a repeat is kept to.
    ['rowing every tue 9:00 in term only', '2026-12-01T09:00', null, 'rowing'],
    ['rowing in A weeks every tue 9:00', '2026-12-01T09:00', null, 'rowing'],
    ['term only meeting thu 9:00', '2026-12-03T09:00', null, 'term only meeting'],
    ['week 4 review thu 9:00', '2026-12-03T09:00', null, 'week 4 review'],
]);

test('a repeat in one line is kept to the weeks that it names', function (string $line, ?TermWeeks $within) {
    $now = LocalDateTime::parse('2026-11-27T10:00');
    expect(OneLineReader::read($line, new Vocabulary(year: schoolYear()), $now)->within)->toBe($within)
        ->and(OneLineReader::read($line, new Vocabulary, $now)->within)->toBeNull();
})->with([
    ['rowing every tue 9:00 in term only', TermWeeks::Term], ['rowing every tue 9:00 term time only', TermWeeks::Term], ['rowing every tue during term', TermWeeks::Term],
    ['rowing every tue 9:00 in A weeks', TermWeeks::A], ['rowing every tue 9:00 week b', TermWeeks::B], ['rowing every tue b weeks only until half-term', TermWeeks::B],
    ['rowing every tue 9:00', null], ['rowing tue 9:00 in term only', null],
]);

<?php

use PinnedRota\Core\OneLine\ClockWords;
use PinnedRota\Core\OneLine\Doubt;
use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\NamedDay;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

const NOW = '2026-11-25T08:00';

function vocabulary(): Vocabulary
{
    return new Vocabulary(
        ['Long loft', 'Joinery shop', 'Steam box', 'Slip 2'], ['assessment', 'open day', 'visit'],
        [1 => 'Oda Lindqvarn', 2 => 'Rufus Tamm', 3 => 'Esi Marrin', 4 => 'Yusuf Calloway', 7 => 'Yusuf Brandt'], [5 => 'Keel year', 6 => 'Staff'], ['assessments' => 'Assessments', 'visits' => 'Visits'],
        days: [new NamedDay('Easter', LocalDateTime::parse('2027-03-28')), new NamedDay('Half-term', LocalDateTime::parse('2027-02-15'), 5), new NamedDay('Founders’ day', LocalDateTime::parse('2027-05-04'))],
    );
}

/** @param  list<string>  $plain */
function understood(string $line, bool $dayFirst = true, array $plain = [], string $now = NOW): Understood
{
    return OneLineReader::read($line, vocabulary(), LocalDateTime::parse($now), new Habits($dayFirst), $plain);
}

/** What was understood, in one line: title | when | repeat | at place | #categories | with people | for groups | by whom | on which calendar | ?what was not (what may have been meant). */
function meaning(Understood $is): string
{
    $when = '';
    if ($is->start !== null) {
        [$from, $to] = $is->allDay ? [$is->start->toDate(), $is->end->plusDays(-1)->toDate()] : [$is->start->toMinute(), $is->end->toMinute()];
        $when = $is->allDay && $from === $to ? $from : $from.'…'.($is->allDay || substr($from, 0, 10) !== substr($to, 0, 10) ? $to : substr($to, 11));
    }
    $repeat = substr((string) $is->rule, 5).($is->until === null ? '' : " until {$is->until->toDate()}").($is->count === null ? '' : " {$is->count} times");
    $list = static fn (string $before, array $items, string $between = ','): string => $items === [] ? '' : $before.implode($between, $items);

    return implode(' | ', array_filter([
        $is->title, $when, $repeat, $is->place === '' ? '' : "at {$is->place}", $list('#', $is->categories, ' #'), $list('with ', $is->people), $list('for ', $is->groups),
        $list('by ', $is->responsible), $is->calendar === null ? '' : "on {$is->calendar}", $is->provisional ? 'provisional' : '', $is->private ? 'private' : '',
        ...array_map(static fn (Doubt $doubt): string => "?{$doubt->kind->value} {$doubt->text}".($doubt->offers === [] ? '' : ' ('.implode('; ', $doubt->offers).')'), $is->doubts),
    ], static fn (string $part): bool => $part !== ''));
}

/** @return array<string, array{string, string}> lines and their meaning, said on Wednesday 25 November 2026 at 8:00 */
function phrases(): array
{
    $phrases = [];
    foreach (file(__DIR__.'/phrases.txt', FILE_IGNORE_NEW_LINES) as $each) {
        [$line, $meaning] = explode(' => ', $each) + [1 => ''];
        $phrases[$line] = [$line, rtrim($meaning)];
    }

    return $phrases;
}

test('a line means what it says, and what is not understood stays in its title', function (string $line, string $meaning) {
    expect(meaning(understood($line)))->toBe($meaning);
})->with(phrases());

test('there are 550 of them', function () {
    expect(count(phrases()))->toBeGreaterThanOrEqual(550);
});

test('pieces are told where they stand, in characters, in the order of the line', function () {
    $line = 'Ærø trip Fri 9:30–11 Long loft #visit';
    $pieces = understood($line)->pieces;
    expect(array_map(fn (Piece $piece): string => $piece->kind->value, $pieces))->toBe(['date', 'time', 'place', 'category']);
    foreach ($pieces as $piece) {
        expect(mb_substr($line, $piece->at, mb_strlen($piece->text)))->toBe($piece->text);
    }
});

test('a piece that was taken wrongly is left in the title', function () {
    expect(meaning(understood('monday blues 9–11')))->toBe('blues | 2026-11-30T09:00…11:00')
        ->and(meaning(understood('monday blues 9–11', plain: ['monday'])))->toBe('monday blues | 2026-11-25T09:00…11:00')
        ->and(meaning(understood('monday blues fri 9–11', plain: ['monday', '9–11'])))->toBe('monday blues 9–11 | 2026-11-27')
        ->and(meaning(understood('Steam box fri', plain: ['Steam box'])))->toBe('Steam box | 2026-11-27');
});

test('with every piece left, the title is the line', function () {
    foreach (phrases() as [$line]) {
        $plain = [];
        for ($round = 0; $round < 12; $round++) {
            $is = understood($line, plain: $plain);
            if ($is->pieces === []) {
                break;
            }
            $plain = [...$plain, ...array_map(fn (Piece $piece): string => $piece->text, $is->pieces)];
        }
        expect($is->pieces)->toBe([])->and($is->start)->toBeNull()
            ->and($is->title)->toBe(trim((string) preg_replace('/\s+/u', ' ', str_replace('"', '', $line)), " \t,;"));
    }
});

test('the order of day and month is the organisation’s', function () {
    expect(meaning(understood('gig launch 2/11', false)))->toBe('gig launch | 2027-02-11')
        ->and(meaning(understood('gig launch 2/11')))->toBe('gig launch | 2026-11-02')
        ->and(meaning(understood('gig launch 12/31', false)))->toBe('gig launch | 2026-12-31');
});

test('a time that is past today is meant tomorrow', function (string $now, string $line, string $meaning) {
    expect(meaning(understood($line, now: $now)))->toBe($meaning);
})->with([
    ['2026-11-25T09:29', 'drill 9:30', 'drill | 2026-11-25T09:30…10:30'],
    ['2026-11-25T09:30', 'drill 9:30', 'drill | 2026-11-26T09:30…10:30'],
    ['2026-11-25T09:31', 'drill today 9:30', 'drill | 2026-11-25T09:30…10:30'],
    ['2026-12-31T18:00', 'drill 9:30', 'drill | 2027-01-01T09:30…10:30'],
    ['2028-02-28T18:00', 'drill tomorrow', 'drill | 2028-02-29'],
    ['2026-11-27T12:00', 'drill fri 9:00', 'drill | 2026-11-27T09:00…10:00'],
]);

test('whatever is typed, a line is read without an error, and its end is not before its start', function () {
    mt_srand(11);
    $words = ['fri', '9', '9:30', '–', '11', 'every', 'week', 'until', '12 dec', '#', '#visit', '@', 'Long loft', 'with', 'by', 'Oda Lindqvarn', 'for', '2h', 'days', '"', 'at', 'to', 'of the month', 'second', 'tuesday', '(private)', 'é', "\t", '14/3', '99', 'noon', 'all day'];
    for ($round = 0; $round < 3000; $round++) {
        $line = implode(mt_rand(0, 9) === 0 ? '' : ' ', array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], range(1, mt_rand(1, 9))));
        $is = understood($line);
        expect($is->start === null || $is->end->seconds >= $is->start->seconds)->toBeTrue($line)
            ->and($is->until === null || $is->count === null)->toBeTrue($line)->and(mb_check_encoding($is->title))->toBeTrue($line);
    }
});

test('the first day of a repeat is the one that its rule says', function () {
    $checked = 0;
    $today = LocalDateTime::parse('2026-11-25');
    foreach (phrases() as [$line]) {
        $is = understood($line);
        // Without a day of its own, and where the phase does not matter.
        if ($is->rule === null || $is->start === null || ! str_contains($is->rule, ';BY') || str_contains($is->rule, 'INTERVAL') || preg_match('/from|starting|\djan|4 jan/', $line) === 1) {
            continue;
        }
        $start = EventTime::date($today->plusDays(-70));
        $days = array_map(
            static fn (EventTime $each): string => $each->local->toDate(),
            (new RecurrenceSet([(new RuleParser)->parse($is->rule)]))->startsBetween($start, EventTime::date($today)->indexSeconds(), EventTime::date($today->plusDays(70))->indexSeconds()),
        );
        expect($days[0])->toBe($is->start?->toDate(), $line);
        $checked++;
    }
    expect($checked)->toBeGreaterThan(30);
});

test('times of day in 12 and 24 hours', function (string $words, ?int $minutes) {
    expect(ClockWords::read($words))->toBe($minutes);
})->with([
    ['9', 540], ['09', 540], ['9:30', 570], ['9.30', 570], ['0:15', 15], ['00:15', 15], ['7', 420], ['6:59', 18 * 60 + 59], ['06:59', 419], ['1', 780], ['12', 720], ['12am', 0], ['12pm', 720],
    ['12:30am', 30], ['1am', 60], ['11:59pm', 1439], ['13', 780], ['24', 1440], ['noon', 720], ['midnight', 1440], ['3h', 180], ['15h', 900], ['13pm', null], ['0am', null], ['25', null], ['', null], ['nine', 540], ['ninety', null], ['9h30', 570], ['0930', 570], ['1430', 870], ['2560', null], ['half past two', 870], ['quarter to one', 765], ['twenty to four', 940], ['ten past twelve', 730], ['12 noon', 720], ['nine o’clock', 540],
]);

test('spans of hours take the next time that a clock shows the end', function (string $from, string $to, array $span) {
    expect(ClockWords::span($from, $to))->toBe($span);
})->with([
    ['9', '11', [540, 660]], ['9', '1', [540, 780]], ['11', '1', [660, 780]], ['9', '9', [540, 1260]], ['22', '2', [1320, 1560]], ['21:30', '2', [1290, 1560]], ['21:30', '02:00', [1290, 1560]],
    ['9', '11am', [540, 660]], ['9', '11pm', [1260, 1380]], ['11', '1pm', [660, 780]], ['9am', '11', [540, 660]], ['9am', '5pm', [540, 1020]], ['10pm', '2am', [1320, 1560]], ['12', '2', [720, 840]], ['noon', '2', [720, 840]], ['20:00', 'midnight', [1200, 1440]], ['1', '3', [780, 900]],
]);

test('lengths', function (string $words, ?int $minutes) {
    expect(ClockWords::length($words))->toBe($minutes);
})->with([['2h', 120], ['2 hours', 120], ['1 hr', 60], ['1.5h', 90], ['1,5 hours', 90], ['90 min', 90], ['45 minutes', 45], ['1h30', 90], ['1h 5min', 65], ['0h', null], ['0 min', null], ['2', null], ['2 days', null]]);

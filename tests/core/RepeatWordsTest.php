<?php

use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Recurrence\SeriesDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/** @return list<array{string}> every rule that the builder can put together, with each kind of end */
function builtRules(): array
{
    $rules = [];
    foreach ([1, 2, 3, 4, 12] as $interval) {
        $every = $interval === 1 ? '' : ";INTERVAL={$interval}";
        $days = ['DAILY' => [''], 'YEARLY' => [''], 'WEEKLY' => [';BYDAY=TU', ';BYDAY=MO,WE,FR', ';BYDAY=MO,TU,WE,TH,FR', ';BYDAY=SA,SU'], 'MONTHLY' => ['', ';BYDAY=2TU', ';BYDAY=-1TU', ';BYDAY=1TU,3TU', ';BYMONTHDAY=-1', ';BYMONTHDAY=10']];
        foreach ($days as $frequency => $parts) {
            foreach ($parts as $part) {
                foreach (['', ';COUNT=7', ';UNTIL=20280630'] as $end) {
                    $rules["{$frequency}{$every}{$part}{$end}"] = ["FREQ={$frequency}{$every}{$part}{$end}"];
                }
            }
        }
    }

    return $rules;
}

test('the words of a rule, typed as one line, are the same rule again', function (string $text) {
    // The second Tuesday of its month.
    $start = Make::time('2026-11-10');
    $rule = (new RuleParser)->parse($text);
    $words = RuleWords::of($rule, $start);
    $is = OneLineReader::read("Slip cradle 10 Nov 2026 {$words}", new Vocabulary([], [], [], [], []), LocalDateTime::parse('2026-11-02T08:00'));
    expect($is->rule)->not->toBeNull("“{$words}” says no repeat")->and($is->title)->toBe('Slip cradle', $words);
    $again = (new RuleParser)->parse((string) $is->rule)->ending($is->count, $is->until, $start);
    $days = static fn ($of): array => array_map(static fn (EventTime $time): string => $time->local->toDate(), (new RecurrenceSet([$of]))->startsBetween($start, $start->indexSeconds(), LocalDateTime::parse('2040-01-01')->seconds));
    expect($days($again))->toBe($days($rule), $words)->and($days($rule))->not->toBeEmpty()
        ->and(RuleWords::of($again, $start))->toBe($words);
})->with(builtRules());

test('where days that a month does not have go is told, and kept', function (string $skip, string $words) {
    $rule = (new RuleParser)->parse("RSCALE=GREGORIAN;FREQ=MONTHLY;BYMONTHDAY=31;SKIP={$skip}");
    expect(RuleWords::of($rule, Make::time('2026-01-31')))->toBe("every month on the 31st{$words}")->and((new RuleParser)->parse((string) $rule))->toEqual($rule)
        ->and($rule->endingBy(3, null)->skip)->toBe($rule->skip);
})->with([['OMIT', ''], ['BACKWARD', ', on the last day of months that are too short'], ['FORWARD', ', on the first day after months that are too short']]);

test('a series is told with what is left out and what is added', function (string $rule, array $skipped, array $extra, string $words) {
    $start = Make::time('2026-11-10T09:30');
    $set = new RecurrenceSet($rule === '' ? [] : [(new RuleParser)->parse($rule)], array_map(fn (string $date): ExtraDate => new ExtraDate(SeriesDate::read($date, $start)), $extra), array_map(fn (string $date): EventTime => SeriesDate::read($date, $start), $skipped));
    expect(RecurrenceWords::of($set, $start))->toBe($words);
})->with([
    'nothing' => ['', [], [], ''],
    'one left out' => ['FREQ=MONTHLY;BYDAY=2TU', ['2027-03-09'], [], 'every month on the second Tuesday, but not on 9 March 2027'],
    'in order, and added' => ['FREQ=WEEKLY;COUNT=9', ['2026-12-08', '2026-11-17'], ['2026-11-12'], 'every week on Tuesday, 9 times, also on 12 November 2026, but not on 17 November 2026 and 8 December 2026'],
    'many' => ['FREQ=DAILY', ['2026-11-11', '2026-11-12', '2026-11-13', '2026-11-14', '2026-11-15'], [], 'every day, but not on 5 days'],
    'extra dates alone' => ['', [], ['2026-11-12', '2026-11-20'], 'on 10 November 2026 and 12 November 2026 and 20 November 2026'],
]);

test('a date of a series is told by its day, with the time where that is another', function (string $text, string $at) {
    $start = Make::time('2026-11-10T09:30');
    $read = SeriesDate::read($text, $start);
    expect($read->local->toMinute())->toBe($at)->and(SeriesDate::tell($read, $start))->toBe($text)
        ->and(SeriesDate::tell(EventTime::date(LocalDateTime::parse('2026-11-17')), $start))->toBe('2026-11-17');
})->with([['2026-11-17', '2026-11-17T09:30'], ['2026-11-17T14:00', '2026-11-17T14:00'], ['2027-06-01', '2027-06-01T09:30']]);

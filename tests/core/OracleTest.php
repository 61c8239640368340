<?php

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\RandomRule;

/** How many seconds after its start a window begins at the most, and how many it is long: the oracle walks. */
const REACH = [
    'YEARLY' => [600_000_000, 200_000_000], 'MONTHLY' => [170_000_000, 80_000_000], 'WEEKLY' => [130_000_000, 35_000_000],
    'DAILY' => [130_000_000, 35_000_000], 'HOURLY' => [3_400_000, 1_300_000], 'MINUTELY' => [100_000, 60_000], 'SECONDLY' => [5_000, 4_000],
];

/** The oracle searches to the end of a year for an instance that never comes: these start near it. */
const NEAR_YEAR_END = ['MINUTELY' => '12-30T0', 'SECONDLY' => '12-31T2'];

/**
 * Where the oracle is wrong by RFC 5545, and why.
 *
 * @return ?string the reason
 */
function oracleErrs(string $rule): ?string
{
    return match (true) {
        // 3.3.10: what a rule does not name comes from DTSTART, so BYWEEKNO alone means its weekday; dateutil takes the
        // whole week.
        str_contains($rule, 'BYWEEKNO') && ! str_contains($rule, 'BYDAY') && ! str_contains($rule, 'BYMONTHDAY') && ! str_contains($rule, 'BYYEARDAY') => 'BYWEEKNO without a day',
        // A numbered week belongs to the year that most of it lies in (3.3.10); dateutil counts its days to the calendar
        // year each lies in, which is another set for BYSETPOS and another year for INTERVAL.
        str_contains($rule, 'BYWEEKNO') && (str_contains($rule, 'BYSETPOS') || str_contains($rule, 'INTERVAL')) => 'BYWEEKNO over the turn of a year',
        default => null,
    };
}

/** @return list<array{string, string, string, string}> rule, start, window */
function randomCases(int $seed, int $number): array
{
    mt_srand($seed);
    $cases = [];
    while (count($cases) < $number) {
        $rule = RandomRule::text();
        $start = RandomRule::start(2019, 2024);
        $frequency = substr($rule, 5, strcspn($rule, ';', 5));
        [$after, $length] = REACH[$frequency];
        $end = PHP_INT_MAX;
        if (isset(NEAR_YEAR_END[$frequency])) {
            $start = substr($start, 0, 5).NEAR_YEAR_END[$frequency].mt_rand(0, 3).substr($start, 13);
            $end = LocalDateTime::parse(((int) $start + 1).'-01-01')->seconds - 1;
        }
        $from = LocalDateTime::parse($start)->seconds + mt_rand(-1000, $after);
        $to = min($from + mt_rand(1, $length), $end);
        $cases[] = [$rule, $start, (new LocalDateTime($from))->toDateTime(), (new LocalDateTime($to))->toDateTime()];
    }

    return $cases;
}

test('dateutil expands random rules alike', function (int $seed) {
    $cases = randomCases($seed, 1200);
    $process = proc_open(['/usr/bin/python3', __DIR__.'/../Support/expand_rules.py'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
    fwrite($pipes[0], json_encode($cases));
    fclose($pipes[0]);
    $answers = json_decode((string) stream_get_contents($pipes[1]), true);
    expect(stream_get_contents($pipes[2]))->toBe('')->and(proc_close($process))->toBe(0);
    $compared = 0;
    foreach ($cases as $index => [$rule, $start, $from, $to]) {
        if (is_string($answers[$index]) || oracleErrs($rule) !== null) {
            continue;
        }
        $times = (new RecurrenceSet([(new RuleParser)->parse($rule)]))
            ->startsBetween(EventTime::floating(LocalDateTime::parse($start)), LocalDateTime::parse($from)->seconds, LocalDateTime::parse($to)->seconds);
        expect(array_map(static fn (EventTime $time): string => $time->local->toDateTime(), array_slice($times, 0, 400)))
            ->toBe($answers[$index], "seed {$seed}: {$rule} from {$start}, window {$from} to {$to}");
        $compared++;
    }
    // The rest are the oracle's faults, or rules for which it has no answer.
    expect($compared)->toBeGreaterThan(1050);
})->with([11, 12, 13]);

test('where the oracle is wrong by the RFC, this is what is right', function (string $rule, string $start, array $expected) {
    expect(oracleErrs($rule))->not->toBeNull();
    $times = (new RecurrenceSet([(new RuleParser)->parse($rule)]))->startsBetween(EventTime::floating(LocalDateTime::parse($start)), 0, LocalDateTime::parse('2030-01-01')->seconds);
    expect(array_map(static fn (EventTime $time): string => $time->local->toDate(), array_slice($times, 0, count($expected))))->toBe($expected);
})->with([
    'BYWEEKNO alone falls on the weekday of DTSTART' => ['FREQ=YEARLY;BYWEEKNO=20', '2024-05-14T09:00', ['2024-05-14', '2025-05-13', '2026-05-12']],
    'week 1 of 2025 begins in 2024 and is one set' => ['FREQ=YEARLY;BYWEEKNO=1;BYDAY=MO,TU,WE;BYSETPOS=1', '2024-01-01T09:00', ['2024-01-01', '2024-12-30', '2025-12-29']],
    'every other year of weeks' => ['FREQ=YEARLY;INTERVAL=2;BYWEEKNO=1;BYDAY=MO', '2024-01-01T09:00', ['2024-01-01', '2025-12-29', '2028-01-03']],
]);

<?php

use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\Import\Fingerprint;
use PinnedRota\Core\Import\Plan;
use Tests\Support\Known;
use Tests\Support\Make;
use Tests\Support\RandomCalendar;

const SPAN = [1_262_304_000, 1_950_000_000];

/** @return list<string> */
function lines(?Series $series, int $from = SPAN[0], int $to = SPAN[1]): array
{
    return $series === null ? [] : array_map(
        static fn (Occurrence $each): string => "{$each->startSeconds} {$each->endSeconds} {$each->recurrenceId?->indexSeconds()} {$each->event->contents->title}",
        $series->occurrences($from, $to),
    );
}

test('a window of any series is that window cut from the whole', function (int $seed) {
    mt_srand($seed);
    $met = 0;
    foreach (RandomCalendar::series(120) as $series) {
        $whole = $series->occurrences(...SPAN);
        for ($round = 0; $round < 4; $round++) {
            $from = mt_rand(...SPAN);
            $to = min(SPAN[1], $from + mt_rand(1, 8_000_000));
            $cut = array_filter($whole, static fn (Occurrence $each): bool => $each->startSeconds < $to && ($each->endSeconds > $from || ($each->endSeconds === $each->startSeconds && $each->startSeconds >= $from)));
            $told = array_map(static fn (Occurrence $each): string => "{$each->startSeconds} {$each->endSeconds}", $series->occurrences($from, $to));
            expect($told)->toBe(array_values(array_map(static fn (Occurrence $each): string => "{$each->startSeconds} {$each->endSeconds}", $cut)), "seed {$seed}: {$series->uid()}");
            $met += count($told) > 0 ? 1 : 0;
        }
    }
    expect($met)->toBeGreaterThan(20);
})->with([51, 52, 53]);

test('each occurrence is found by its original start, and skipping it takes away that one alone', function (int $seed) {
    mt_srand($seed);
    $skipped = 0;
    foreach (RandomCalendar::series(80) as $series) {
        $whole = $series->occurrences(...SPAN);
        if ($series->master?->timing->recurrence->repeats() !== true || count($whole) < 3) {
            continue;
        }
        foreach (array_slice($whole, 0, 12) as $each) {
            $found = $series->find($each->recurrenceId);
            expect($found)->not->toBeNull()->and($found->startSeconds)->toBe($each->startSeconds)->and($found->event->contents->title)->toBe($each->event->contents->title);
        }
        $gone = $whole[mt_rand(0, min(11, count($whole) - 1))];
        $without = OccurrenceChanges::skip($series, $gone->recurrenceId);
        expect(array_values(array_diff(lines($series), lines($without))))->toHaveCount(1)->and(array_diff(lines($without), lines($series)))->toBe([])
            ->and($without->find($gone->recurrenceId))->toBeNull();
        $skipped++;
    }
    expect($skipped)->toBeGreaterThan(15);
})->with([54, 55]);

test('a series is parted at any occurrence into two that make it up', function (int $seed) {
    mt_srand($seed);
    $parted = 0;
    foreach (RandomCalendar::series(120) as $series) {
        $master = $series->master;
        // Changed occurrences that were moved over the cut belong to the part of their original start.
        $whole = $series->overrides === [] ? $series->occurrences(...SPAN) : [];
        if ($master === null || $whole === [] || ! $master->timing->recurrence->repeats() || count($whole) < 4 || $master->timing->recurrence->extraDates !== []) {
            continue;
        }
        $at = $whole[mt_rand(1, min(count($whole) - 1, 20))];
        $second = $master->occurringAt($at)->repeating(OccurrenceChanges::rulesFrom($master, $at->recurrenceId));
        [$before, $after] = OccurrenceChanges::following($series, $at->recurrenceId, $second, 'second');
        $starts = static fn (?Series $part): array => $part === null ? [] : array_map(static fn (Occurrence $each): int => $each->startSeconds, $part->occurrences(...SPAN));
        $joined = [...$starts($before), ...$starts($after)];
        // A rule that takes its days from its start goes on by the start of the second part, which may be another
        // only where the first was not on the rule; every interval goes on from there, too.
        $rule = (string) $master->timing->recurrence->rules[0];
        if (preg_match('/INTERVAL|BYSETPOS|BYWEEKNO/', $rule) === 1) {
            continue;
        }
        expect($joined)->toBe($starts($series), "seed {$seed}: {$series->uid()} {$rule}");
        $parted++;
    }
    expect($parted)->toBeGreaterThan(5);
})->with([56, 57, 58]);

test('events come together by UID in whatever order they stand', function () {
    mt_srand(59);
    $series = RandomCalendar::series(60);
    $events = array_merge(...array_map(static fn (Series $each): array => $each->events(), $series));
    shuffle($events);
    $collector = new SeriesCollector;
    array_map($collector->add(...), $events);
    $again = [];
    foreach ($collector->series() as $each) {
        $again[$each->uid()] = $each;
    }
    expect($again)->toHaveCount(60);
    foreach ($series as $each) {
        expect(Fingerprint::of($again[$each->uid()]))->toBe(Fingerprint::of($each))->and(lines($again[$each->uid()]))->toBe(lines($each));
    }
});

test('of two changes of one occurrence the later holds', function () {
    $collector = new SeriesCollector;
    $collector->add(Make::event('New', uid: 'x', rule: 'FREQ=WEEKLY;COUNT=3', more: ['sequence' => 2]));
    $collector->add(Make::event('First word', '2026-11-10T10:00', uid: 'x', more: ['recurrenceId' => Make::time('2026-11-09T09:30')]));
    $collector->add(Make::event('Last word', '2026-11-11T10:00', uid: 'x', more: ['recurrenceId' => Make::time('2026-11-09T08:30', 'UTC')->inZone(PinnedRota\Core\Time\Zone::of('Europe/London'))]));
    $collector->add(Make::event('Last word indeed', '2026-11-12T10:00', uid: 'x', more: ['recurrenceId' => Make::time('2026-11-09T09:30', 'UTC')]));
    [$series] = $collector->series();
    expect($series->master->contents->title)->toBe('New')->and($series->overrides)->toHaveCount(2)
        ->and(array_map(static fn (Occurrence $each): string => $each->event->contents->title, $series->occurrences(...SPAN)))->toBe(['New', 'Last word', 'Last word indeed', 'New']);
});

test('what a program stamps anew each time is no change; anything else is', function () {
    $stamped = static fn (string $modified, string $odd = 'kept'): Series => new Series(Make::event('Trial', uid: 'x', more: ['foreign' => new ForeignContent([
        new PinnedRota\Core\ICalendar\Property('X-ODD', $odd),
    ]), 'stamp' => (int) $modified, 'modified' => (int) $modified]));
    expect(Fingerprint::of($stamped('20260101T000000Z')))->toBe(Fingerprint::of($stamped('20270101T000000Z')))
        ->not->toBe(Fingerprint::of($stamped('20260101T000000Z', 'changed')));
    $known = ['x' => Fingerprint::of($stamped('20260101T000000Z'))];
    expect(Plan::compare($stamped('20280101T000000Z')->events(), new Known($known))->counts())->toBe(['added' => 0, 'changed' => 0, 'unchanged' => 1, 'removed' => 0])
        ->and(Plan::compare($stamped('20280101T000000Z', 'changed')->events(), new Known($known))->counts())->toBe(['added' => 0, 'changed' => 1, 'unchanged' => 0, 'removed' => 0]);
});

<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Sorting\ExternalSort;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** @return list<array{string, string}> */
function sortedRecords(ExternalSort $sort): array
{
    $records = [];
    foreach ($sort as $key => $record) {
        $records[] = [$key, $record];
    }

    return $records;
}

test('records come in order of their keys, those of one key as they were added, however many files it takes', function (int $memory) {
    mt_srand(5);
    $sort = new ExternalSort($memory);
    $expected = [];
    for ($number = 0; $number < 5_000; $number++) {
        $key = (string) mt_rand(0, 900);
        $record = "{$number}: ".str_repeat('x', mt_rand(0, 30))."\n\0";
        $sort->add($key, $record);
        $expected[] = [$key, $record];
        if ($number === 2_500) {
            // Read in between, it goes on.
            expect(sortedRecords($sort))->toHaveCount(2_501);
        }
    }
    usort($expected, static fn (array $a, array $b): int => strcmp($a[0], $b[0]));
    expect(sortedRecords($sort))->toBe($expected)->and(sortedRecords($sort))->toBe($expected);
})->with(['in memory' => [10_000_000], 'a few files' => [200_000], 'more files than may be open' => [10_000]]);

test('nothing put in order is nothing', function () {
    expect(sortedRecords(new ExternalSort))->toBe([]);
});

test('what is put aside comes back the same, its zones, too', function () {
    $yard = Zone::embedded('Our yard', [new Observance(false, LocalDateTime::of(1970, 1, 1), 5400, 5400, 'YST')]);
    $event = Make::event('Rowing', uid: 'a')->with(timing: Make::event()->timing->startingAt(EventTime::zoned(LocalDateTime::parse('2026-11-02T09:30'), $yard)));
    $again = unserialize(serialize([$event, $yard]));
    expect($again[0]->timing->start->zone?->id)->toBe($yard->id)->and($again[0]->timing->start->indexSeconds())->toBe($event->timing->start->indexSeconds())
        ->and($again[1]->name)->toBe('Our yard')->and($again[1]->offsetAt(0))->toBe(5400)
        // An instant in the hour that comes twice stays the later of the two.
        ->and(unserialize(serialize(EventTime::instant(1_793_000_000, Zone::of('Europe/London'))))->indexSeconds())->toBe(1_793_000_000);
});

test('a series comes together from events that stand far apart, in memory that does not grow with them', function () {
    memory_reset_peak_usage();
    $before = memory_get_usage();
    $collector = new SeriesCollector;
    $text = str_repeat('What is needed: a fid, a mallet and twine. ', 20);
    foreach (['master', 'changed'] as $part) {
        for ($number = 0; $number < 15_000; $number++) {
            $master = Make::event("Rowing {$number}", rule: 'FREQ=WEEKLY;COUNT=3', uid: "uid-{$number}", more: ['description' => $text]);
            $collector->add($part === 'master' ? $master : Make::event("Moved {$number}", '2026-11-10T11:00', uid: "uid-{$number}", more: ['recurrenceId' => Make::time('2026-11-09T09:30'), 'description' => $text]));
        }
    }
    $count = 0;
    $last = '';
    foreach ($collector as $place => $series) {
        expect(strcmp($last, $series->uid()))->toBeLessThan(0)->and($series->overrides)->toHaveCount(1)->and("uid-{$place}")->toBe($series->uid());
        $last = $series->uid();
        $count++;
    }
    expect($count)->toBe(15_000)->and(memory_get_peak_usage() - $before)->toBeLessThan(20_000_000);
});

test('of thirty events that share a UID and a start each is kept, and the same file gives the same UIDs', function () {
    $uids = static function (): array {
        $collector = new SeriesCollector($diagnostics = new Diagnostics);
        foreach (range(1, 30) as $number) {
            $collector->add(Make::event("Watch {$number}", uid: 'a'));
        }
        $titles = array_map(static fn (Series $each): string => $each->master->contents->title, $collector->series());
        expect($titles)->toBe(array_map(static fn (int $number): string => "Watch {$number}", range(1, 30)))->and($diagnostics->total())->toBe(29);

        return array_map(static fn (Series $each): string => $each->uid(), $collector->series());
    };
    expect(array_unique($uids()))->toHaveCount(30)->and($uids())->toBe($uids());
});

test('what got a UID of its own and comes again beside its like is taken once', function () {
    $first = new SeriesCollector;
    array_map($first->add(...), [Make::event('One', uid: 'a'), Make::event('Two', '2026-11-03T10:00', uid: 'a')]);
    $renamed = $first->series()[1]->master;
    $again = new SeriesCollector;
    array_map($again->add(...), [Make::event('One', uid: 'a'), Make::event('Two', '2026-11-03T10:00', uid: 'a'), $renamed, Make::event('One', uid: 'a')]);
    expect(array_map(static fn (Series $each): array => [$each->uid(), $each->master?->contents->title], $again->series()))->toBe([['a', 'One'], [$renamed->uid, 'Two']]);
});

test('of one series no more changed times are taken than somebody makes, and it is said', function () {
    $collector = new SeriesCollector($diagnostics = new Diagnostics);
    $collector->add(Make::event('Rowing', rule: 'FREQ=DAILY', uid: 'a'));
    for ($day = 1; $day <= 5_003; $day++) {
        $at = Make::time('2026-11-02T09:30');
        $id = $at->at($at->local->plusDays($day));
        $collector->add(new Event('a', Make::event()->timing->startingAt($id), Make::event('Moved')->contents, $id));
    }
    foreach ([1, 2] as $round) {
        expect($collector->series()[0]->overrides)->toHaveCount(5_000);
    }
    expect(array_map(strval(...), $diagnostics->all()))->toBe(['RECURRENCE-ID: of “Moved” more than 5000 times are changed; the rest is left out (skipped)']);
});

<?php

use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Occurrences\OccurrenceQuery;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use Tests\Support\RandomCalendar;

/** @return list<string> what the core says of a window, event by event */
function naive(array $calendarIds, LocalDateTime $from, LocalDateTime $to, Zone $zone): array
{
    $lines = [];
    [$utcFrom, $utcTo] = [$zone->toUtc($from->seconds), $zone->toUtc($to->seconds)];
    foreach (EventRecord::query()->whereIn('calendar_id', $calendarIds)->whereNull('series_id')->with(EventRecord::WHOLE)->get() as $head) {
        foreach (app(EventTranslator::class)->series($head)->occurrences(min($utcFrom, $from->seconds), max($utcTo, $to->seconds)) as $each) {
            [$begin, $end] = $each->start->kind === TimeKind::Zoned ? [$utcFrom, $utcTo] : [$from->seconds, $to->seconds];
            if ($each->startSeconds < $end && ($each->endSeconds > $begin || ($each->endSeconds === $each->startSeconds && $each->startSeconds >= $begin))) {
                $lines[] = "{$head->id} {$each->startSeconds} {$each->endSeconds} {$each->event->contents->title} {$each->event->contents->status->value}";
            }
        }
    }
    sort($lines);

    return $lines;
}

/** @return list<string> */
function asked(array $calendarIds, LocalDateTime $from, LocalDateTime $to, Zone $zone): array
{
    $lines = array_map(
        static fn (IndexedOccurrence $each): string => "{$each->seriesId} {$each->starts} {$each->ends} {$each->title} {$each->status->value}",
        app(OccurrenceQuery::class)->between($calendarIds, $from, $to, $zone),
    );
    sort($lines);

    return $lines;
}

test('a window holds what the core says, wherever it is and in whatever zone it is asked', function (int $seed) {
    mt_srand($seed);
    $ada = $this->person();
    $calendars = [$this->calendar($ada, 'One'), $this->calendar($ada, 'Two'), $this->calendar($ada, 'Three')];
    foreach (RandomCalendar::series(60) as $series) {
        $this->addSeries($calendars[mt_rand(0, 2)], $series);
    }
    $zones = ['Europe/London', 'America/New_York', 'Pacific/Apia', 'Australia/Lord_Howe', 'UTC'];
    $met = 0;
    for ($round = 0; $round < 60; $round++) {
        // Within the horizon of the index, over its edges, and far outside.
        $from = LocalDateTime::parse(sprintf('%04d-%02d-%02d', mt_rand(2010, 2040), mt_rand(1, 12), mt_rand(1, 28)));
        $to = $from->plusDays(mt_rand(1, 120));
        $ids = array_map(fn ($each): int => $each->id, array_slice($calendars, 0, mt_rand(1, 3)));
        $zone = Zone::of($zones[mt_rand(0, 4)]);
        $expected = naive($ids, $from, $to, $zone);
        expect(asked($ids, $from, $to, $zone))->toBe($expected, "seed {$seed}: {$from->toDate()} to {$to->toDate()} in {$zone->name}");
        $met += count($expected) > 0 ? 1 : 0;
    }
    expect($met)->toBeGreaterThan(20);
    $this->artisan('rota:verify-occurrences')->assertOk();
})->with([61, 62, 63]);

test('what is read is in order: by start, then the longer, then the older', function () {
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $late = $this->add($calendar, $ada, title: 'Late', start: '2026-11-02T10:00');
    $short = $this->add($calendar, $ada, title: 'Short', start: '2026-11-02T09:00', end: '2026-11-02T09:30');
    $long = $this->add($calendar, $ada, title: 'Long', start: '2026-11-02T09:00', end: '2026-11-02T12:00');
    $same = $this->add($calendar, $ada, title: 'Same', start: '2026-11-02T09:00', end: '2026-11-02T12:00');
    $read = app(OccurrenceQuery::class)->between([$calendar->id], LocalDateTime::parse('2026-11-01'), LocalDateTime::parse('2026-11-08'), Zone::utc());
    expect(array_map(static fn (IndexedOccurrence $each): int => $each->seriesId, $read))->toBe([$long->id, $same->id, $short->id, $late->id]);
});

test('a window is read in as many queries whatever is in it', function () {
    // One request in fifty sweeps old sessions, by a query of its own.
    config(['session.lottery' => [0, 1]]);
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $count = function () use ($ada): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->sheet($ada, '2026-11-01', '2026-12-01')->assertOk();

        return count(DB::getQueryLog());
    };
    $this->add($calendar, $ada, more: ['categories' => ['visit']]);
    $count();
    $one = $count();
    for ($day = 1; $day <= 28; $day++) {
        $this->add($calendar, $ada, start: sprintf('2026-11-%02dT09:00', $day), more: ['categories' => [$day % 2 === 0 ? 'visit' : 'launch', "own {$day}"]]);
    }
    expect($count())->toBe($one)->toBeLessThan(16);
});

test('nothing is read for nobody', function () {
    expect(app(OccurrenceQuery::class)->between([], LocalDateTime::parse('2026-11-01'), LocalDateTime::parse('2026-11-08'), Zone::utc()))->toBe([]);
});

<?php

use App\Events\EventRecord;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use Tests\Support\Make;

/* A series with more times than a calendar can show takes nothing of anybody else's away: it is told in part, and that is said. */
beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, SubjectKind::Everyone, Level::BusyTimes);
    $this->bringIn = function (string ...$events): void {
        $id = $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('a.ics', Make::calendar(...$events))])->assertCreated()->json('id');
        $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertSuccessful();
    };
    $this->month = fn ($person = null): array => $this->sheet($person ?? $this->ada, '2026-11-01', '2026-12-01', "&calendar={$this->slip->slug}")->assertOk()->json('items');
});

test('what repeats by the minute shows its first times in a window, and that there are more', function () {
    ($this->bringIn)("UID:bomb\nDTSTART:20261101T000000Z\nDURATION:PT1M\nRRULE:FREQ=MINUTELY\nSUMMARY:Pump", "UID:late\nDTSTART:20261130T090000Z\nSUMMARY:Launch");
    expect((bool) EventRecord::query()->where('uid', 'bomb')->value('indexed'))->toBeFalse();
    $items = ($this->month)();
    $pump = array_values(array_filter($items, fn (array $item): bool => $item['title'] === 'Pump'));
    expect($pump)->toHaveCount(500)
        ->and($pump[0]['start'])->toBe('2026-11-01T00:00')->and($pump[499]['start'])->toBe('2026-11-01T08:19')
        ->and(array_keys(array_filter(array_column($pump, 'moreFollow'))))->toHaveCount(1)->and($pump[499]['moreFollow'])->toBeTrue()
        // All else of the month is there.
        ->and(array_column(array_filter($items, fn (array $item): bool => $item['title'] !== 'Pump'), 'title'))->toBe(['Launch']);
    // Of an hour it shows all, and says nothing.
    $hour = $this->sheet($this->ada, '2026-11-14', '2026-11-15')->json('items');
    expect(count($hour))->toBe(500);
});

test('whoever sees busy times alone is told the same, without what it is', function () {
    ($this->bringIn)("UID:bomb\nDTSTART:20261101T000000Z\nDURATION:PT1M\nRRULE:FREQ=MINUTELY\nSUMMARY:Pump");
    $items = ($this->month)($this->person('Ben Oar'));
    expect($items)->toHaveCount(500)->and($items[499])->toMatchArray(['title' => 'Busy', 'moreFollow' => true]);
});

test('many that each just fit the index fill no window of others', function () {
    ($this->bringIn)("UID:late\nDTSTART:20261130T090000Z\nSUMMARY:Launch\nCATEGORIES:launch,public");
    // As though forty series with 2,000 times each stood in the index: made there at once, since nothing is read of their events.
    foreach (range(1, 40) as $at) {
        $event = $this->add($this->slip, $this->ada, title: "Pump {$at}", start: '2026-11-01T00:00');
        DB::statement('INSERT INTO occurrences (calendar_id, event_id, series_id, recurrence_id, starts_at, ends_at, span) SELECT ?, ?, ?, CONCAT(seq, "Z"), TIMESTAMPADD(MINUTE, seq, "2026-11-01 00:00:00"), TIMESTAMPADD(MINUTE, seq + 1, "2026-11-01 00:00:00"), 0 FROM seq_1_to_2000', [$this->slip->id, $event->id, $event->id]);
    }
    $items = ($this->month)();
    $of = array_count_values(array_column($items, 'title'));
    expect($of['Launch'])->toBe(1)->and(count($of))->toBe(41)->and($of['Pump 7'])->toBe(500)
        ->and(array_values(array_filter($items, fn (array $item): bool => $item['title'] === 'Launch'))[0]['categories'])->toBe(['launch', 'public'])
        ->and(count(array_filter(array_column($items, 'moreFollow'))))->toBe(40)
        // In order of start as ever.
        ->and(array_column($items, 'start'))->toBe(collect($items)->pluck('start')->sort()->values()->all());
});

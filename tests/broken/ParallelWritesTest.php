<?php

use App\Calendars\Calendar;
use App\Events\EventRecord;
use App\Imports\Import;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use Tests\Support\Elsewhere;
use Tests\Support\Make;

// Many processes at once, each with a connection of its own.

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->input = fn (string $title, array $more = []): array => $more + ['calendar' => $this->slip->slug, 'title' => $title, 'start' => '2026-11-10T09:00'];
    /** Each list is asked for by a process, all of them at once. */
    $this->atOnce = function (array $lists): array {
        $running = array_map(static fn (array $list) => Elsewhere::ask($list[0], $list[1]), $lists);
        $statuses = [];
        foreach ($running as $each) {
            $done = $each->wait();
            array_push($statuses, ...json_decode($done->output(), true) ?? throw new RuntimeException($done->output().$done->errorOutput()));
        }
        sort($statuses);

        return $statuses;
    };
    $this->sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

afterEach(fn () => Elsewhere::clear());

test('fifty events added to one calendar by ten at once are all added', function () {
    $lists = array_map(fn (int $process): array => [$this->ada, array_map(fn (int $each): array => ['method' => 'POST', 'path' => '/events', 'body' => ($this->input)("Event {$process}.{$each}", ['categories' => ['launch', "of {$each}"]])], range(1, 5))], range(1, 10));
    expect(($this->atOnce)($lists))->toBe(array_fill(0, 50, 201))->and(EventRecord::query()->count())->toBe(50)
        // The categories that none had before are there once.
        ->and(DB::table('categories')->where('calendar_id', $this->slip->id)->orderBy('name')->pluck('name')->all())->toBe(['launch', 'of 1', 'of 2', 'of 3', 'of 4', 'of 5']);
    ($this->sound)();
});

test('one thing asked for by six at once under one key is done once', function () {
    $asked = ['method' => 'POST', 'path' => '/events', 'body' => ($this->input)('Haul out'), 'key' => 'six-times-the-same'];
    expect(($this->atOnce)(array_fill(0, 6, [$this->ada, [$asked]])))->toBe(array_fill(0, 6, 201))->and(EventRecord::query()->count())->toBe(1);
    $event = EventRecord::query()->firstOrFail();
    $bulk = ['method' => 'POST', 'path' => '/bulk', 'key' => 'six-times-in-bulk', 'body' => ['tz' => 'UTC', 'copyDays' => 7, 'events' => [['id' => $event->id, 'version' => 1]]]];
    expect(($this->atOnce)(array_fill(0, 6, [$this->ada, [$bulk]])))->toBe(array_fill(0, 6, 200))->and(EventRecord::query()->count())->toBe(2);
    ($this->sound)();
});

test('who joins by three clicks at once has joined once, on one calendar of their own', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::See);
    $id = $this->as($this->ada, 'POST', '/events', ($this->input)('Regatta', ['joinable' => true]))->assertCreated()->json('id');
    expect(($this->atOnce)(array_fill(0, 3, [$ben, [['method' => 'POST', 'path' => "/events/{$id}/join"]]])))->toBe([200, 409, 409])
        ->and(Calendar::query()->where('keeper_id', $ben->id)->count())->toBe(1)->and(DB::table('event_pins')->count())->toBe(1);
});

test('a file that is brought in by three at once is brought in once', function () {
    Storage::put('imports/parallel.ics', Make::calendar("UID:one\nDTSTAMP:20261101T000000Z\nDTSTART:20261110T090000Z\nSUMMARY:Tide"));
    $import = Import::query()->create(['calendar_id' => $this->slip->id, 'created_by' => $this->ada->id, 'file_name' => 'tides.ics', 'path' => 'imports/parallel.ics']);
    expect(($this->atOnce)(array_fill(0, 3, [$this->ada, [['method' => 'POST', 'path' => "/imports/{$import->id}/apply"]]])))->toBe([200, 409, 409])
        ->and(EventRecord::query()->count())->toBe(1);
});

test('one category added by ten at once is there once, and each is told how it went', function () {
    $asked = ['method' => 'POST', 'path' => '/categories', 'body' => ['calendar' => $this->slip->slug, 'name' => 'Launch']];
    $statuses = ($this->atOnce)(array_fill(0, 10, [$this->ada, [$asked]]));
    expect($statuses[0])->toBe(201)->and(array_diff(array_slice($statuses, 1), [409, 422]))->toBe([])->and(DB::table('categories')->count())->toBe(1);
});

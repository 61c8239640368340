<?php

use App\Events\EventRecord;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

// A table that is brought again changes what it made before: its rows are known by the columns that somebody chose, else by their titles.

beforeEach(function () {
    $this->travelTo('2026-09-01 10:00:00');
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->look = fn (string $text) => $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['text' => $text])->assertCreated();
    /** Brings a table in whose columns are told apart by those of these names. */
    $this->bring = function (string $text, string ...$keys): array {
        $preview = ($this->look)($text)->json();
        if ($keys !== []) {
            $columns = array_map(fn (array $each): array => ['table' => 0, 'column' => $each['column'], 'role' => $each['role'] ?? 'nothing', 'isKey' => in_array($each['name'], $keys, true)], $preview['columns']);
            $preview = $this->as($this->ada, 'PUT', "/imports/{$preview['id']}", ['edits' => [], 'columns' => $columns, 'gone' => true])->assertOk()->json();
        }
        $this->as($this->ada, 'POST', "/imports/{$preview['id']}/apply")->assertOk();

        return $preview['counts'];
    };
    $this->ids = fn (): array => EventRecord::query()->orderBy('title')->pluck('id', 'title')->all();
    $this->titles = fn (): array => array_keys(($this->ids)());
});

test('a row is known by a column that was chosen, whatever is called or dated otherwise, in whatever order', function () {
    expect(($this->bring)("Date,What,Ref\n2026-09-07,Drill,A1\n2026-09-08,Tea,A2\n2026-09-09,Nets,A3\n", 'Ref'))->toMatchArray(['added' => 3]);
    $before = ($this->ids)();
    // It is remembered for tables whose columns are called alike.
    $preview = ($this->look)("Date,What,Ref\n2026-09-21,Net mending,a3\n2026-09-07,Boat drill,A1\n2026-09-08,Tea,A2\n2026-09-10,Launch,A4\n")->json();
    expect(array_column($preview['columns'], 'isKey'))->toBe([false, false, true])->and(array_column($preview['rows'], 'verdict'))->toBe(['changed', 'changed', 'unchanged', 'added']);
    $this->as($this->ada, 'POST', "/imports/{$preview['id']}/apply")->assertOk();
    $after = ($this->ids)();
    expect([$after['Boat drill'], $after['Tea'], $after['Net mending']])->toBe([$before['Drill'], $before['Tea'], $before['Nets']])->and($after)->toHaveCount(4);
});

test('several columns tell rows apart together', function () {
    ($this->bring)("Date,What,Crew,Round\n2026-09-07,Drill,Keel,1\n2026-09-08,Drill,Keel,2\n2026-09-09,Drill,Frame,1\n", 'Crew', 'Round');
    $days = fn (): array => EventRecord::query()->get()->mapWithKeys(fn (EventRecord $each): array => [substr($each->starts_local, 8, 2) => $each->id])->all();
    $before = $days();
    // By title and order, the first would have been taken for another.
    expect(($this->bring)("Date,What,Crew,Round\n2026-09-19,Drill,Frame,1\n2026-09-18,Drill,Keel,2\n", 'Crew', 'Round'))->toBe(['added' => 0, 'changed' => 2, 'unchanged' => 0, 'removed' => 1]);
    expect($days())->toEqual(['18' => $before['08'], '19' => $before['09']]);
});

test('what came in by its titles goes on by the columns that are chosen later', function () {
    ($this->bring)("Date,What,Ref\n2026-09-07,Watch,A1\n2026-09-08,Watch,A2\n");
    $before = EventRecord::query()->orderBy('starts_local')->pluck('id')->all();
    expect(($this->bring)("Date,What,Ref\n2026-09-07,Watch,A1\n2026-09-08,Watch,A2\n", 'Ref'))->toMatchArray(['unchanged' => 2, 'added' => 0]);
    // The first is gone: the other is still itself.
    expect(($this->bring)("Date,What,Ref\n2026-09-18,Watch,A2\n", 'Ref'))->toBe(['added' => 0, 'changed' => 1, 'unchanged' => 0, 'removed' => 1]);
    expect(EventRecord::query()->pluck('id')->all())->toBe([$before[1]]);
});

test('a row that says nothing there is known by its title, and is none that is called otherwise by now', function () {
    ($this->bring)("Date,What,Ref\n2026-09-07,Watch,A1\n2026-09-08,Tea,\n");
    ($this->bring)("Date,What,Ref\n2026-09-07,Watch,A1\n2026-09-08,Tea,\n", 'Ref');
    $before = ($this->ids)();
    // A1 is called Guard now, and something else Watch.
    expect(($this->bring)("Date,What,Ref\n2026-09-07,Guard,A1\n2026-09-12,Watch,\n2026-09-08,Tea,\n", 'Ref'))->toBe(['added' => 1, 'changed' => 1, 'unchanged' => 1, 'removed' => 0]);
    $after = ($this->ids)();
    expect([$after['Guard'], $after['Tea']])->toBe([$before['Watch'], $before['Tea']])->and(array_keys($after))->toBe(['Guard', 'Tea', 'Watch']);
});

test('what is known by a column and was deleted, or taken back, comes in anew', function () {
    ($this->bring)("Date,What,Ref\n2026-09-07,Drill,A1\n", 'Ref');
    EventRecord::query()->sole()->delete();
    expect(($this->bring)("Date,What,Ref\n2026-09-07,Boat drill,A1\n", 'Ref'))->toMatchArray(['added' => 1]);
    $operation = DB::table('operations')->max('id');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(($this->titles)())->toBe([])->and(($this->bring)("Date,What,Ref\n2026-09-07,Last drill,A1\n", 'Ref'))->toMatchArray(['added' => 1])->and(($this->titles)())->toBe(['Last drill']);
});

test('a table that names its events itself is known by that', function () {
    ($this->bring)("Date,What,UID\n2026-09-07,Drill,one@boats\n2026-09-08,Tea,two@boats\n");
    $preview = ($this->look)("Date,What,UID\n2026-09-07,Boat drill,one@boats\n2026-09-08,Tea,two@boats\n")->json();
    expect(array_column($preview['columns'], 'isKey'))->toBe([false, false, true])->and(array_column($preview['rows'], 'verdict'))->toBe(['changed', 'unchanged']);
    // Where two are called alike, that is no name of theirs.
    expect(array_column(($this->look)("Date,What,UID\n2026-09-07,Drill,x\n2026-09-08,Tea,x\n")->json('columns'), 'isKey'))->toBe([false, false, false]);
});

test('the same key on two calendars is two events', function () {
    $boats = $this->calendar($this->ada, 'Boats');
    ($this->bring)("Date,What,Ref,Calendar\n2026-09-07,Drill,A1,Boats\n2026-09-08,Tea,A1,Slipway\n", 'Ref');
    expect(($this->bring)("Date,What,Ref,Calendar\n2026-09-17,Drill,A1,Boats\n2026-09-18,Tea,A1,Slipway\n", 'Ref'))->toMatchArray(['changed' => 2, 'added' => 0]);
    expect(EventRecord::query()->where('calendar_id', $boats->id)->pluck('title')->all())->toBe(['Drill']);
});

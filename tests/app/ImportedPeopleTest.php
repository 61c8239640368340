<?php

use App\Directory\OwnThings;
use App\Events\EventRecord;
use App\Outbox\OutboxLetter;
use App\Participants\ParticipantRecord;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

// Who takes part as a table says, is asked as in any other event; what comes again is laid over what somebody has made of it since.

beforeEach(function () {
    $this->travelTo('2026-09-01 10:00:00');
    Storage::fake('local');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->cy = $this->person('Cy Brook');
    // They do not see the calendar: what asks them they see on their own.
    OwnThings::of($this->ben);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->look = fn (string $text) => $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['text' => $text]);
    $this->bring = fn (string $text) => $this->as($this->ada, 'POST', '/imports/'.($this->look)($text)->assertCreated()->json('id').'/apply')->assertOk();
    $this->event = fn (string $title): EventRecord => EventRecord::query()->where('title', $title)->sole();
    $this->parts = fn (string $title): array => ParticipantRecord::query()->where('event_id', ($this->event)($title)->id)->orderBy('position')->get()->map(fn ($each): string => ($each->person_id === null ? $each->address : (string) $each->person_id)." {$each->role->name} {$each->answer->name}")->all();
    $this->written = fn (): array => OutboxLetter::query()->orderBy('address')->pluck('address')->all();
});

test('people are found by their names, their short names and their mail addresses; the rest is told and left out', function () {
    $preview = ($this->look)("Date,What,Teacher,Who\n2026-09-07,Drill,B. Oar,\"Cy, kay@example.org and Nobody Known\"\n2026-09-08,Tea,,tbc\n")->json();
    expect($preview['rows'][0])->toMatchArray(['people' => ['Ben Oar (responsible)', 'Cy Brook', 'kay@example.org'], 'unknown' => ['Nobody Known']])->and($preview['rows'][1])->toMatchArray(['people' => [], 'unknown' => []]);
    // Of two who are called alike it is neither.
    $this->person('Ben Spar');
    $this->app->forgetScopedInstances();
    ($this->look)("Date,What,Teacher\n2026-09-07,Drill,Ben\n")->assertJsonPath('rows.0.people', [])->assertJsonPath('rows.0.unknown', ['Ben']);
});

test('they are asked by mail and among what waits for them, once it is confirmed', function () {
    ($this->bring)("Date,What,Status,Teacher,Who\n2026-09-07,Drill,,Ada Quill,\"Ben Oar, kay@example.org\"\n2026-09-08,Tea,tbc,,Cy Brook\n");
    expect(($this->parts)('Drill'))->toBe(["{$this->ada->id} Responsible Accepted", "{$this->ben->id} Required Unanswered", 'mailto:kay@example.org Required Unanswered'])
        ->and(($this->written)())->toContain(mb_strtolower($this->ben->email), 'kay@example.org')->not->toContain(mb_strtolower($this->ada->email));
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('asked.0.title', 'Drill')->assertJsonPath('asked.0.by', 'Ada Quill');
    $this->as($this->cy, 'GET', '/waiting')->assertJsonPath('asked', []);
});

test('the table again, with another day in it, keeps who takes part and what somebody has written since', function () {
    ($this->bring)("Date,What,Room,Who\n2026-09-07,Drill,Long loft,Ben Oar\n2026-09-08,Tea,,\n");
    $drill = ($this->event)('Drill');
    $this->as($this->ada, 'PATCH', "/events/{$drill->id}", ['description' => 'Bring oars.', 'busy' => false], $drill->version)->assertOk();
    // Said again as it was, it is there already, whatever somebody has made of it.
    ($this->look)("Date,What,Room,Who\n2026-09-07,Drill,Long loft,Ben Oar\n2026-09-08,Tea,,\n")->assertJsonPath('counts.unchanged', 2);
    $this->as($this->ben, 'PUT', "/events/{$drill->id}/answer", ['answer' => 'accepted'])->assertSuccessful();
    $next = "Date,What,Room,Who\n2026-09-07,Drill,Sail loft,\"Ben Oar, Cy Brook\"\n2026-09-08,Tea,,\n";
    $fields = ($this->look)($next)->assertJsonPath('counts.changed', 1)->json('rows.0.changes');
    expect(array_column($fields, 'field'))->toBe(['place', 'people']);
    ($this->bring)($next);
    expect(($this->event)('Drill'))->description->toBe('Bring oars.')->busy->toBeFalse()->place->toBe('Sail loft')
        ->and(($this->parts)('Drill'))->toBe(["{$this->ben->id} Required Accepted", "{$this->cy->id} Required Unanswered"]);
    // On another day who had said yes is asked anew.
    ($this->bring)(str_replace('2026-09-07', '2026-09-09', $next));
    expect(($this->parts)('Drill'))->toBe(["{$this->ben->id} Required Unanswered", "{$this->cy->id} Required Unanswered"]);
});

test('what is taken back was never brought in, for the next time it comes', function () {
    $table = "Date,What,Room\n2026-09-07,Drill,Long loft\n";
    ($this->bring)($table);
    $second = ($this->bring)(str_replace('Long', 'Sail', $table))->json('operation');
    $this->as($this->ada, 'POST', "/operations/{$second}/undo")->assertNoContent();
    ($this->look)($table)->assertJsonPath('counts.unchanged', 1);
    ($this->look)(str_replace('Long', 'Sail', $table))->assertJsonPath('counts.changed', 1);
    expect(DB::table('events')->whereNotNull('import_id')->orWhereNotNull('fingerprint')->count())->toBe(0);
});

test('a series that somebody has made of a row stays one', function () {
    ($this->bring)("Date,What,Room\n2026-09-07,Drill,Long loft\n");
    $drill = ($this->event)('Drill');
    $this->as($this->ada, 'PATCH', "/events/{$drill->id}", ['repeat' => ['rule' => 'FREQ=WEEKLY;COUNT=4']], $drill->version)->assertOk();
    ($this->bring)("Date,What,Room\n2026-09-07,Drill,Sail loft\n");
    expect(($this->event)('Drill'))->repeats->toBeTrue()->place->toBe('Sail loft');
    ($this->bring)("Date,What,Room\n2026-09-10,Drill,Sail loft\n");
    expect(($this->event)('Drill'))->repeats->toBeFalse();
});

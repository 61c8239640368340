<?php

use App\Events\EventRecord;
use Illuminate\Database\DeadlockException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Sleep;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->input = ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00'];
    $this->under = fn (string $key, $person, string $path, array $body = []) => $this->withHeader('Idempotency-Key', $key)->as($person, 'POST', $path, $body);
});

test('what is asked for twice under one key is done once, and answered alike', function () {
    $first = ($this->under)('key-of-this-click', $this->ada, '/events', $this->input)->assertCreated();
    $second = ($this->under)('key-of-this-click', $this->ada, '/events', $this->input)->assertCreated();
    expect($second->getContent())->toBe($first->getContent())->and($second->headers->get('Operation'))->toBe($first->headers->get('Operation'))->not->toBeEmpty()
        ->and($second->headers->get('Changes'))->toBe($first->headers->get('Changes'))->and(EventRecord::query()->count())->toBe(1);
    // Another click is another event.
    ($this->under)('key-of-the-next-click', $this->ada, '/events', $this->input)->assertCreated();
    expect(EventRecord::query()->count())->toBe(2);
});

test('a key is somebody’s own, and of one thing', function () {
    $this->give($this->slip, $this->ben, Level::Add);
    ($this->under)('the-same-key', $this->ada, '/events', $this->input)->assertCreated();
    ($this->under)('the-same-key', $this->ben, '/events', $this->input)->assertCreated();
    ($this->under)('the-same-key', $this->ada, '/events', ['title' => 'Another'] + $this->input)->assertUnprocessable()->assertJsonPath('title', 'This key was used for something else.');
    expect(EventRecord::query()->count())->toBe(2);
});

test('what was refused is not kept: mended, it is done under the same key', function () {
    ($this->under)('a-key-for-it', $this->ada, '/events', ['title' => ''] + $this->input)->assertUnprocessable();
    expect(DB::table('idempotency_keys')->count())->toBe(0);
    ($this->under)('a-key-for-it', $this->ada, '/events', $this->input)->assertCreated();
});

test('each thing that is made is made once', function (string $path, array $body, string $table) {
    $event = $this->add($this->slip, $this->ada, start: '2026-11-10T09:00');
    $event->update(['joinable' => true]);
    $board = $this->calendar($this->ada, 'Board');
    $path = str_replace(['{slug}', '{event}'], [$this->slip->slug, (string) $event->id], $path);
    $body = json_decode(str_replace(['{slug}', '{board}', '{event}'], [$this->slip->slug, $board->slug, (string) $event->id], (string) json_encode($body)), true);
    $this->ada->update(['role' => 'administrator']);
    $before = DB::table($table)->count();
    $answers = collect(range(1, 3))->map(fn () => ($this->under)('one-key-for-all', $this->ada, $path, $body));
    expect($answers->map->getStatusCode()->unique()->all())->toHaveCount(1)->and($answers[0]->isSuccessful())->toBeTrue($answers[0]->getContent())
        ->and($answers->map->getContent()->unique())->toHaveCount(1)->and(DB::table($table)->count())->toBe($before + 1);
})->with([
    'a calendar' => ['/calendars', ['name' => 'Loft', 'colour' => 'sea', 'mark' => 'disc'], 'calendars'],
    'an overlay' => ['/overlays', ['name' => 'Term', 'layers' => [['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => ['{slug}']]]], 'overlays'],
    'a feed link' => ['/calendars/{slug}/feeds', ['name' => 'Wall', 'detail' => 'full'], 'feeds'],
    'a category' => ['/categories', ['calendar' => '{slug}', 'name' => 'Launch'], 'categories'],
    'a group' => ['/groups', ['name' => 'Riggers'], 'groups'],
    'a room' => ['/rooms', ['name' => 'Long loft'], 'rooms'],
    'a person' => ['/people', ['name' => 'Cy Reader', 'email' => 'cy@example.org'], 'people'],
    'a pin' => ['/events/{event}/pins', ['calendar' => '{board}'], 'event_pins'],
    'a join' => ['/events/{event}/join', [], 'event_pins'],
    'a copy' => ['/events/{event}/copies', ['calendar' => '{board}'], 'events'],
    'a bulk copy' => ['/bulk', ['tz' => 'UTC', 'copyDays' => 7, 'events' => [['id' => '{event}', 'version' => 1]]], 'events'],
]);

test('where others are in the way, it is tried again a little later; where that does not help, it says when to come back', function () {
    Sleep::fake();
    $left = 2;
    Route::middleware('api')->post('api/v1/health', function () use (&$left) {
        if ($left-- > 0) {
            throw new DeadlockException('Deadlock found when trying to get lock; try restarting transaction');
        }

        return response()->noContent();
    });
    $this->actingAs($this->ada)->postJson('/api/v1/health')->assertNoContent();
    Sleep::assertSleptTimes(2);
    $left = 100;
    $this->actingAs($this->ada)->postJson('/api/v1/health')->assertStatus(503)->assertHeader('Retry-After')->assertJsonPath('detail', 'Nothing was changed. Try again in a moment.');
    $left = 100;
    $this->actingAs($this->ada)->withHeader('Idempotency-Key', 'under-a-key')->postJson('/api/v1/health')->assertStatus(503);
    expect(DB::table('idempotency_keys')->count())->toBe(0);
});

test('an answer that has a secret is kept so that the database does not tell it', function () {
    $made = ($this->under)('key-of-a-feed', $this->ada, "/calendars/{$this->slip->slug}/feeds", ['name' => 'Wall', 'detail' => 'full'])->assertCreated();
    expect(json_encode(DB::table('idempotency_keys')->get()))->not->toContain(basename($made->json('url'), '.ics'))
        ->and(($this->under)('key-of-a-feed', $this->ada, "/calendars/{$this->slip->slug}/feeds", ['name' => 'Wall', 'detail' => 'full'])->json('url'))->toBe($made->json('url'));
});

test('keys are forgotten when nobody can ask again', function () {
    ($this->under)('an-old-key', $this->ada, '/events', $this->input)->assertCreated();
    $this->travel(3)->days();
    $this->artisan('rota:tidy');
    expect(DB::table('idempotency_keys')->count())->toBe(0);
});

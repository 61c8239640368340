<?php

use App\Access\Sharing;
use App\Live\Channels;
use App\Live\NginxPublisher;
use App\Live\Publisher;
use App\Upkeep\Tidy;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Log;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

beforeEach(function () {
    config(['rota.live.publisher' => 'http://127.0.0.1:9']);
    Http::preventStrayRequests();
    Http::fake(['127.0.0.1:9/*' => Http::response('', 201)]);
    [$this->ada, $this->ben] = [$this->person(), $this->person('Ben Oar')];
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    /** @return list<string> what was sent: how, and to which channels */
    $this->sent = fn (): array => Http::recorded()->map(fn (array $each): string => $each[0]->method().' '.basename($each[0]->url()))->values()->all();
    $this->listen = fn ($person): array => explode(',', basename((string) $this->as($person, 'GET', '/live')->assertOk()->headers->get('X-Accel-Redirect')));
    $this->addOne = fn () => $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00'])->assertCreated();
});

test('a connection listens to the calendars that one sees, to one’s own channel and to everybody’s, and to nothing else', function () {
    $hidden = $this->calendar($this->ada, 'Dismissals');
    expect(($this->listen)($this->ben))->toBe(["person-{$this->ben->id}", 'everybody', "calendar-{$this->slip->id}"])
        ->and(($this->listen)($this->ada))->toEqualCanonicalizing(["person-{$this->ada->id}", 'everybody', "calendar-{$this->slip->id}", "calendar-{$hidden->id}"]);
    $this->ben->update(['status' => 'suspended']);
    $this->as($this->ben->refresh(), 'GET', '/live')->assertUnauthorized();
});

test('where nothing is pushed there is no connection to be had', function () {
    config(['rota.live.publisher' => null]);
    $this->as($this->ben, 'GET', '/live')->assertNoContent()->assertHeaderMissing('X-Accel-Redirect');
    ($this->addOne)();
    expect(($this->sent)())->toBe([]);
});

test('a change is told on the channel of its calendar once it is committed: the calendar and the days, nothing else', function () {
    DB::transaction(function (): void {
        ($this->addOne)();
        expect(($this->sent)())->toBe([]);
    });
    expect(($this->sent)())->toBe(["POST calendar-{$this->slip->id}"]);
    Http::assertSent(fn (Request $request): bool => array_diff_key($request->data(), ['mark' => true]) === ['calendar' => $this->slip->slug, 'firstDay' => '2026-11-08', 'lastDay' => '2026-11-12']);
});

test('a change that is taken back is told to nobody', function () {
    try {
        DB::transaction(function (): void {
            ($this->addOne)();
            throw new LogicException('No.');
        });
    } catch (LogicException) {
    }
    expect(($this->sent)())->toBe([]);
});

test('when access goes, so does the connection', function () {
    app(Sharing::class)->give($this->slip, new Subject(SubjectKind::Person, $this->ben->id), Level::None, $this->ada);
    expect(($this->sent)())->toBe(["DELETE person-{$this->ada->id},person-{$this->ben->id}"]);
});

test('connections end with whatever lets somebody in no longer', function (Closure $end) {
    $admin = $this->person('Ann Admin', ['role' => 'administrator']);
    $end($this, $admin);
    expect(array_filter(($this->sent)(), fn (string $each): bool => str_starts_with($each, 'DELETE') && in_array("person-{$this->ben->id}", explode(',', substr($each, 7)), true)))->not->toBe([]);
})->with([
    'suspended' => fn ($test, $admin) => $test->as($admin, 'PUT', "/people/{$test->ben->id}/suspended", ['suspended' => true])->assertSuccessful(),
    'signed out by an administrator' => fn ($test, $admin) => $test->as($admin, 'DELETE', "/people/{$test->ben->id}/sessions")->assertSuccessful(),
    'signed out' => fn ($test) => $test->as($test->ben, 'DELETE', '/session')->assertSuccessful(),
    'the calendar deleted' => fn ($test) => $test->as($test->ada, 'DELETE', "/calendars/{$test->slip->slug}")->assertSuccessful(),
]);

test('whoever sees more calendars than a connection has channels for is told on their own', function () {
    $more = array_map(fn (int $number) => $this->calendar($this->ben, "Calendar {$number}"), range(1, 200));
    expect(($this->listen)($this->ben))->toBe(["person-{$this->ben->id}", 'everybody']);
    ($this->addOne)();
    expect(($this->sent)())->toBe(["POST calendar-{$this->slip->id},person-{$this->ben->id}"]);
    // What they may not see any more is not told there either.
    app(Sharing::class)->give($this->slip, new Subject(SubjectKind::Person, $this->ben->id), Level::None, $this->ada);
    ($this->addOne)();
    expect(($this->sent)()[2])->toBe("POST calendar-{$this->slip->id}");
    // With fewer it is channel by channel again.
    $more[0]->delete();
    expect(($this->listen)($this->ben))->toHaveCount(201);
});

test('who has not connected for long is forgotten', function () {
    DB::table('live_viewers')->insert([['calendar_id' => $this->slip->id, 'person_id' => $this->ben->id, 'opened_at' => now()->subHours(4)], ['calendar_id' => $this->slip->id, 'person_id' => $this->ada->id, 'opened_at' => now()->subHour()]]);
    app(Tidy::class)->run();
    expect(app(Channels::class)->tellingOf($this->slip->id))->toBe(["calendar-{$this->slip->id}", "person-{$this->ada->id}"]);
});

test('more channels than the web server takes at once are told in parts', function () {
    app(Publisher::class)->close(array_map(Channels::ofPerson(...), range(1, 450)));
    expect(array_map(static fn (string $each): int => substr_count($each, 'person-'), ($this->sent)()))->toBe([200, 200, 50]);
});

test('a web server that is away hinders no change, and is written down once', function (Closure $away) {
    Cache::forget('live.told');
    $http = (new Illuminate\Http\Client\Factory)->fake(fn () => $away());
    $this->app->bind(Publisher::class, fn () => new NginxPublisher($http, app('log'), 'http://127.0.0.1:9'));
    Log::shouldReceive('warning')->once()->withArgs(fn (string $message, array $data): bool => $data['publisher'] === 'http://127.0.0.1:9' && $data['problem'] !== '');
    ($this->addOne)();
    ($this->addOne)();
})->with([
    'it is not there' => fn () => throw new ConnectionException('Connection refused'),
    'it fails' => fn () => Illuminate\Http\Client\Factory::response('', 500),
]);

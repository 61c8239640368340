<?php

use App\Events\EventRecord;
use App\Events\Write\EventsChanged;
use App\Organisation\Organisation;
use App\Sources\RefreshSource;
use App\Sources\Source;
use App\Sources\SourceRefresher;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Sources\AddressRules;

// The far side is the stand-in, over HTTP: bin/test serves it.
beforeEach(function () {
    $this->ada = $this->person();
    $this->far = fn (string $path): string => config('rota.standins.url').$path;
    // Both are jobs: told is what came of them.
    $this->ended = fn (TestResponse $asked): TestResponse => $asked->status() === 202 ? $this->as($this->ada, 'GET', "/jobs/{$asked->json('id')}") : $asked;
    $this->subscribe = fn (string $path, array $more = []): TestResponse => ($this->ended)($this->as($this->ada, 'POST', '/sources', $more + ['url' => ($this->far)($path), 'name' => 'Tides', 'colour' => 'pine', 'mark' => 'waves']));
    $this->refresh = fn (): TestResponse => ($this->ended)($this->as($this->ada, 'POST', '/sources/'.Source::query()->sole()->id.'/refresh'));
    $this->source = fn (): TestResponse => $this->as($this->ada, 'GET', '/sources');
    $this->titles = fn (): array => EventRecord::query()->orderBy('title')->pluck('title')->all();
});

test('an address is checked at once and shows as a calendar that is only read', function () {
    $job = ($this->subscribe)('/harbour-office/tides.ics')->assertJsonPath('state', 'done')->assertJsonPath('kind', 'subscribe');
    expect($job->json('counts.added'))->toBeGreaterThan(100)->and($job->json('counts'))->toBe(($this->source)()->assertJsonPath('0.error', null)->json('0.history.0.counts'));
    $today = now('Europe/London')->format('Y-m-d');
    $items = $this->sheet($this->ada, $today, now('Europe/London')->addDay()->format('Y-m-d'))->json('items');
    expect(count($items))->toBeIn([1, 2])->and($items[0]['title'])->toStartWith('High water')->and($items[0]['hold'])->toBe('outside');
    $slug = $job->json('calendar');
    $this->as($this->ada, 'PATCH', "/events/{$items[0]['id']}", ['title' => 'Low water'], 1)->assertForbidden();
    $this->as($this->ada, 'DELETE', "/events/{$items[0]['id']}", [], 1)->assertForbidden();
    $this->as($this->ada, 'POST', '/events', ['calendar' => $slug, 'title' => 'Mine', 'start' => '2026-11-10T09:00'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'The events of this calendar come from outside; none can be added here.');
    $this->as($this->ada, 'POST', "/calendars/{$slug}/imports", [])->assertForbidden();
    $this->as($this->ada, 'PATCH', "/calendars/{$slug}", ['name' => 'Our tides', 'colour' => 'rose'], 1)->assertOk();
});

test('a refresh adds, changes and removes, and says so', function () {
    ($this->subscribe)('/switch/a.ics?events=one,two,three')->assertJsonPath('state', 'done');
    Source::query()->update(['url' => ($this->far)('/switch/a.ics?events=one,four,two')]);
    ($this->refresh)()->assertJsonPath('counts', ['added' => 1, 'changed' => 1, 'unchanged' => 1, 'removed' => 1]);
    expect(($this->titles)())->toBe(['four', 'one', 'two']);
    ($this->refresh)()->assertJsonPath('state', 'done')->assertJsonPath('counts', null);
    ($this->source)()->assertJsonPath('0.history.0', fn (array $latest): bool => $latest['counts'] === null && $latest['error'] === null);
});

test('when the far side fails the last good copy stays, and the keeper is told', function (string $fault, string $message) {
    ($this->subscribe)('/switch/a.ics?events=one,two,three');
    Source::query()->update(['url' => ($this->far)($fault)]);
    ($this->refresh)()->assertJsonPath('state', 'failed')->assertJsonPath('problem.title', $message);
    ($this->source)()->assertJsonPath('0.error', $message)->assertJsonPath('0.history.0.error', $message);
    expect(($this->titles)())->toBe(['one', 'three', 'two'])->and(Source::query()->sole()->next_refresh_at->isFuture())->toBeTrue();
    Source::query()->update(['url' => ($this->far)('/switch/a.ics?events=one,two')]);
    ($this->refresh)()->assertJsonPath('state', 'done');
    ($this->source)()->assertJsonPath('0.error', null);
    expect(($this->titles)())->toBe(['one', 'two']);
})->with([
    ['/faults/500', 'The far side has a fault (500). Try again later.'],
    ['/faults/page', 'This is a page that asks who one is, and not what it leads to. Enter how one signs in, or ask for an address that needs none.'],
    ['/faults/gone', 'The far side has nothing at this address (404).'],
    ['/faults/large', 'The answer is larger than 10 MB.'],
    ['/faults/astray', 'The address leads on to one that is none.'],
]);

test('an address that cannot be subscribed to is refused at its field and leaves nothing', function (array $input, string $message) {
    $told = ($this->ended)($this->as($this->ada, 'POST', '/sources', $input + ['name' => 'Tides', 'colour' => 'pine', 'mark' => 'waves']))->json();
    expect(($told['problem'] ?? $told)['errors'])->toBe([['field' => 'url', 'message' => $message]]);
    expect(Source::query()->count())->toBe(0);
    $this->as($this->ada, 'GET', '/calendars')->assertExactJson([]);
})->with([
    'nothing' => [['url' => ''], 'Enter the address of a calendar.'],
    'words' => [['url' => 'the harbour'], 'There is a space in this address.'],
    'a word' => [['url' => 'harbour'], 'Enter a full address, such as https://example.org/calendar.ics.'],
    'another scheme' => [['url' => 'ftp://example.org/a.ics'], 'Only http and https addresses can be fetched.'],
    'inside the network' => [['url' => 'http://10.0.0.7/a.ics'], 'This address leads inside a private network and is not fetched.'],
    'this machine, at another port' => [['url' => 'http://127.0.0.1:3306/'], 'This address leads inside a private network and is not fetched.'],
    'the same, spelt otherwise' => [['url' => 'http://[::ffff:127.0.0.1]/'], 'This address leads inside a private network and is not fetched.'],
]);

test('faults of the far side are told where the address was entered', function (string $path, string $message) {
    ($this->subscribe)($path)->assertJsonPath('problem.status', 422)->assertJsonPath('problem.errors.0', ['field' => 'url', 'message' => $message]);
    expect(Source::query()->count())->toBe(0);
})->with([
    ['/faults/500', 'The far side has a fault (500). Try again later.'],
    ['/faults/page', 'This is a page that asks who one is, and not what it leads to. Enter how one signs in, or ask for an address that needs none.'],
    ['/faults/redirect', 'This address leads inside a private network and is not fetched.'],
]);

test('an address that does not say how it is fetched is fetched without encryption where the organisation lets it be', function () {
    $webcal = str_replace('http:', 'webcal:', ($this->far)('/switch/a.ics?events=one'));
    ($this->subscribe)('', ['url' => $webcal])->assertJsonPath('state', 'failed')->assertJsonPath('problem.errors.0.field', 'url');
    app(Organisation::class)->put(['plainHttp' => true], $this->ada);
    $this->app->forgetScopedInstances();
    ($this->subscribe)('', ['url' => $webcal])->assertJsonPath('state', 'done');
    // What answered is what is fetched from then on.
    expect(Source::query()->sole()->url)->toBe(($this->far)('/switch/a.ics?events=one'));
    // One that says that it is encrypted is never fetched otherwise.
    ($this->subscribe)('', ['url' => str_replace('webcal:', 'https:', $webcal)])->assertJsonPath('state', 'failed');
    ($this->subscribe)('', ['url' => str_replace('webcal:', 'webcals:', $webcal)])->assertJsonPath('state', 'failed');
});

test('a far side that is slow is given up', function () {
    config(['rota.sources.timeout_seconds' => 1]);
    ($this->subscribe)('/faults/slow')->assertJsonPath('problem.errors.0.message', 'The far side did not answer in time.');
});

test('without the trust that configuration gives, the stand-in itself is not fetched', function () {
    $this->app->bind(AddressRules::class, fn (): AddressRules => new AddressRules);
    ($this->subscribe)('/harbour-office/tides.ics')->assertJsonPath('problem.errors.0.message', 'This address leads inside a private network and is not fetched.');
});

test('sources that are due are refreshed on schedule, others are left alone', function () {
    ($this->subscribe)('/switch/a.ics?events=one')->assertJsonPath('state', 'done');
    Queue::fake();
    $this->artisan('rota:refresh-sources')->assertOk();
    Queue::assertNothingPushed();
    $this->travel(61)->minutes();
    $this->artisan('rota:refresh-sources')->assertOk();
    Queue::assertPushed(RefreshSource::class, 1);
});

test('the scheduled refresh does what it says', function () {
    ($this->subscribe)('/switch/a.ics?events=one');
    Source::query()->update(['url' => ($this->far)('/switch/a.ics?events=one,two')]);
    RefreshSource::dispatch(Source::query()->sole()->id);
    expect(($this->titles)())->toBe(['one', 'two']);
});

test('those who read a source see where it leads, not the key in its address, and do not refresh it', function () {
    ($this->subscribe)('/switch/a.ics?events=one&key=hunter2');
    $ben = $this->person('Ben Oar');
    $calendar = Source::query()->sole()->calendar()->sole();
    $this->give($calendar, SubjectKind::Everyone, Level::See);
    expect($this->as($ben, 'GET', '/sources')->assertJsonPath('0.url', '127.0.0.1')->getContent())->not->toContain('hunter2');
    $this->as($ben, 'POST', '/sources/'.Source::query()->sole()->id.'/refresh')->assertForbidden();
});

test('what nobody foresaw is written down, too, and a source that fails again and again is tried less often', function () {
    $this->freezeSecond();
    ($this->subscribe)('/switch/a.ics?events=one')->assertJsonPath('state', 'done');
    $waits = function (): int {
        (new RefreshSource(Source::query()->sole()->id))->handle(app(SourceRefresher::class));

        return (int) now()->diffInMinutes(Source::query()->sole()->next_refresh_at);
    };
    Source::query()->update(['url' => ($this->far)('/faults/500')]);
    expect([$waits(), $waits(), $waits()])->toBe([60, 120, 240]);
    foreach (range(1, 10) as $ignored) {
        $last = $waits();
    }
    expect($last)->toBe(1440);
    // Something that breaks in our own house, in the middle of taking it in.
    Source::query()->update(['url' => ($this->far)('/switch/a.ics?events=one,two'), 'failures' => 0]);
    Event::listen(EventsChanged::class, fn () => throw new RuntimeException('Nobody thought of this.'));
    ($this->refresh)()->assertJsonPath('problem.title', 'It could not be read for a reason that nobody foresaw. Whoever looks after this site finds it in the log.');
    expect(($this->titles)())->toBe(['one'])->and(Source::query()->sole()->next_refresh_at->isFuture())->toBeTrue();
    Event::forget(EventsChanged::class);
    expect($waits())->toBe(60)->and(Source::query()->sole()->failures)->toBe(0);
});

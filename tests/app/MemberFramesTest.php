<?php

use App\Events\EventRecord;
use App\Frames\MemberFrame;
use App\Organisation\Organisation;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpFoundation\Cookie;

const SITE = 'https://www.school.example';

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->root = $this->person('Root', ['role' => 'administrator']);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->name = function (string ...$sites): void {
        $this->as($this->root, 'PATCH', '/organisation', ['frameSites' => $sites], app(Organisation::class)->version())->assertOk();
    };
    $this->make = fn (array $with = []): array => $this->as($this->ada, 'POST', '/member-frames', $with + ['calendar' => $this->slip->slug, 'view' => 'week', 'mayChange' => true])->assertCreated()->json();
    /** Of the requests before nothing is left in memory. */
    $this->anew = function (): void {
        Auth::forgetGuards();
        $this->app['session']->forgetDrivers();
        $this->app->forgetInstance('session.store');
        $this->app->forgetScopedInstances();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();
    };
    /** What comes out of a frame, by somebody who is signed in within it. */
    $this->within = function (array $frame, $person, string $method, string $path, array $body = []): TestResponse {
        $this->withHeader('X-Rota-Frame', basename($frame['address']));
        try {
            return $this->as($person, $method, $path, $body, $method === 'PATCH' ? 1 : null);
        } finally {
            $this->withoutHeader('X-Rota-Frame');
        }
    };
});

/** @return array<string, Cookie> */
function cookiesOf(TestResponse $answer): array
{
    return collect($answer->headers->getCookies())->keyBy(static fn (Cookie $each): string => $each->getName())->all();
}

test('a frame for members stands on the sites that administrators name, and on no other; all else of the product stands in none', function () {
    $this->as($this->ada, 'POST', '/member-frames', ['calendar' => $this->slip->slug, 'view' => 'week', 'mayChange' => false])->assertStatus(409);
    ($this->name)('www.school.example/pages', 'https://www.school.example', 'http://localhost:8081');
    expect(app(Organisation::class)->settings()->frameSites)->toBe([SITE, 'http://localhost:8081']);
    $frame = ($this->make)();
    $page = $this->get(parse_url($frame['address'], PHP_URL_PATH))->assertOk();
    expect((string) $page->headers->get('Content-Security-Policy'))->toContain("default-src 'self'")->toEndWith("frame-ancestors 'self' ".SITE.' http://localhost:8081')
        ->and($page->getContent())->toContain('data-frame="'.basename($frame['address']).'"')->not->toContain('Slipway', $this->slip->slug)
        ->and($page->headers->getCookies())->toBe([]);
    foreach (['/', '/calendars/'.$this->slip->slug, '/members'] as $other) {
        expect((string) $this->get($other)->headers->get('Content-Security-Policy'))->toContain("frame-ancestors 'none'");
    }
    $this->get('/members/'.str_repeat('0', 32))->assertNotFound();
    ($this->name)();
    $this->get(parse_url($frame['address'], PHP_URL_PATH))->assertNotFound();
    ($this->within)($frame, $this->ada, 'GET', '/sheet?from=2026-11-02&to=2026-11-09')->assertNotFound();
});

test('who signs in within it has a cookie of the frame alone, and stays signed in nowhere', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $this->ben->forceFill(['password' => 'high-water-mark'])->save();
    $answer = $this->withHeader('X-Rota-Frame', basename($frame['address']))->postJson('/api/v1/session', ['email' => $this->ben->email, 'password' => 'high-water-mark', 'stay' => true])->assertOk();
    $answer->assertJsonPath('frame', ['of' => 'calendar', 'slug' => $this->slip->slug, 'name' => 'Slipway', 'view' => 'week', 'mayChange' => true])->assertJsonPath('person.name', 'Ben Oar');
    $cookies = cookiesOf($answer);
    expect(array_keys($cookies))->toEqualCanonicalizing(['rota_members', 'XSRF-TOKEN-MEMBERS']);
    foreach ($cookies as $cookie) {
        expect([$cookie->getSameSite(), $cookie->isSecure(), $cookie->isPartitioned()])->toBe(['none', true, true]);
    }
    expect($cookies['rota_members']->isHttpOnly())->toBeTrue();
    // Here it is as it was.
    $this->withoutHeader('X-Rota-Frame');
    ($this->anew)();
    $plain = $this->postJson('/api/v1/session', ['email' => $this->ben->email, 'password' => 'high-water-mark', 'stay' => true])->assertOk()->assertJsonPath('frame', null);
    expect(array_keys(cookiesOf($plain)))->toContain('rota_session', 'XSRF-TOKEN')->not->toContain('rota_members')->and(cookiesOf($plain)['rota_session']->getSameSite())->toBe('lax');
});

test('whoever is signed in here is not for that signed in within a frame, also where its site is a neighbour of ours', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $this->ben->forceFill(['password' => 'high-water-mark'])->save();
    ($this->anew)();
    $cookies = cookiesOf($this->postJson('/api/v1/session', ['email' => $this->ben->email, 'password' => 'high-water-mark', 'stay' => true])->assertOk());
    $held = collect($cookies)->map(static fn (Cookie $each): string => (string) $each->getValue())->all();
    expect(array_keys($held))->toContain('rota_session', Auth::guard('web')->getRecallerName());
    $ask = function (array $headers) use ($held): TestResponse {
        ($this->anew)();

        return $this->withCredentials()->disableCookieEncryption()->withUnencryptedCookies($held)->getJson('/api/v1/session', $headers);
    };
    $ask([])->assertJsonPath('person.name', 'Ben Oar');
    $ask(['X-Rota-Frame' => basename($frame['address'])])->assertOk()->assertJsonPath('person', null);
});

test('each has their own rights there, as far as the frame allows', function (bool $changes, Level $level, string $told, int $added, int $moved) {
    ($this->name)(SITE);
    $frame = ($this->make)(['mayChange' => $changes]);
    $this->give($this->slip, $this->ben, $level);
    $event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:00');
    expect(($this->within)($frame, $this->ben, 'GET', '/calendars')->assertOk()->json('0.level'))->toBe($told);
    ($this->within)($frame, $this->ben, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Paint', 'start' => '2026-11-04T09:00'])->assertStatus($added);
    ($this->within)($frame, $this->ben, 'PATCH', "/events/{$event->id}", ['title' => 'Hauled out'])->assertStatus($moved);
    expect(EventRecord::query()->where('title', 'Paint')->exists())->toBe($added === 201);
    // In a window of its own it is as it was.
    $this->as($this->ben, 'GET', '/calendars')->assertJsonPath('0.level', $level->value);
})->with([
    'a manager, to be read' => [false, Level::Manage, 'see', 403, 403],
    'a manager' => [true, Level::Manage, 'change', 201, 200],
    'who may change' => [true, Level::Change, 'change', 201, 200],
    'who may add' => [true, Level::Add, 'add', 201, 403],
    'a reader' => [true, Level::See, 'see', 422, 403],
    'who sees busy times' => [true, Level::BusyTimes, 'busy', 422, 403],
]);

test('who sees nothing of it sees nothing of it there', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:00');
    ($this->within)($frame, $this->ben, 'GET', "/sheet?calendar={$this->slip->slug}&from=2026-11-02&to=2026-11-09&tz=Europe/London")->assertNotFound();
    expect(($this->within)($frame, $this->ada, 'GET', "/sheet?calendar={$this->slip->slug}&from=2026-11-02&to=2026-11-09&tz=Europe/London")->assertOk()->json('items.0.title'))->toBe('Haul out');
});

test('what is not of the sheet and its events is refused in a frame, whoever asks', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $refused = $open = [];
    foreach (Route::getRoutes() as $route) {
        if (! str_starts_with($route->uri(), 'api/v1/') || $route->uri() === 'api/v1/health') {
            continue;
        }
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $path = '/'.strtr(substr($route->uri(), 7), ['{slug}' => $this->slip->slug, '{id}' => '1', '{link}' => '1', '{attachment}' => '1', '{pin}' => '1', '{operation}' => '1', '{task}' => '1', '{remark}' => '1', '{refresh}' => '1', '{device}' => str_repeat('0', 24), '{step}' => 'name', '{pace}' => 'daily']);
            $answer = ($this->within)($frame, $this->root, $method, $path);
            str_contains((string) $answer->getContent(), 'not done in a frame') ? $refused[] = "{$method} {$path}" : $open[] = "{$method} {$path}";
        }
    }
    $slug = $this->slip->slug;
    expect(count($refused))->toBeGreaterThan(100)->and($refused)->toContain('PUT /session/password', 'PATCH /organisation', 'GET /people', 'GET /feeds', 'GET /publications', 'POST /member-frames', "PUT /calendars/{$slug}/grants", "DELETE /calendars/{$slug}", 'DELETE /events/1', 'POST /bulk', 'PATCH /session/person', 'GET /session/devices', 'POST /people/1/link');
    expect($open)->toContain('GET /session', 'POST /session', 'DELETE /session', 'GET /sheet', 'POST /events', 'PATCH /events/1', 'POST /operations/1/undo')->and(array_filter($open, static fn (string $each): bool => ! str_starts_with($each, 'GET')))->toHaveCount(12);
});

test('who manages what it shows makes it, changes it and takes it back; its address stays', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $this->give($this->slip, $this->ben, Level::Change);
    $this->as($this->ben, 'POST', '/member-frames', ['calendar' => $this->slip->slug, 'view' => 'week', 'mayChange' => true])->assertForbidden();
    $this->as($this->ben, 'GET', '/member-frames')->assertJsonPath('frames', []);
    foreach ([['PUT', ['view' => 'list', 'mayChange' => false]], ['DELETE', []]] as [$method, $body]) {
        $this->as($this->ben, $method, "/member-frames/{$frame['id']}", $body)->assertNotFound();
    }
    foreach ([['view' => 'table'], ['mayChange' => 'perhaps'], ['overlay' => 'other']] as $wrong) {
        $this->as($this->ada, 'POST', '/member-frames', $wrong + ['calendar' => $this->slip->slug, 'view' => 'week', 'mayChange' => true])->assertStatus(422);
    }
    $this->as($this->ada, 'PUT', "/member-frames/{$frame['id']}", ['view' => 'list', 'mayChange' => false])->assertOk()->assertJsonPath('address', $frame['address'])->assertJsonPath('mayChange', false);
    $this->as($this->ada, 'GET', '/member-frames')->assertJsonPath('sites', [SITE])->assertJsonPath('frames.0.view', 'list');
    $this->as($this->ada, 'DELETE', "/member-frames/{$frame['id']}")->assertNoContent();
    $this->get(parse_url($frame['address'], PHP_URL_PATH))->assertNotFound();
    expect(MemberFrame::query()->count())->toBe(0);
});

test('a frame goes with what it shows', function () {
    ($this->name)(SITE);
    $frame = ($this->make)();
    $this->as($this->ada, 'DELETE', "/calendars/{$this->slip->slug}")->assertSuccessful();
    $this->get(parse_url($frame['address'], PHP_URL_PATH))->assertNotFound();
    ($this->within)($frame, $this->ada, 'GET', '/session')->assertNotFound();
});

test('a site that is none is refused at its field, and what was decided stays', function () {
    ($this->name)(SITE);
    foreach (['*', 'javascript:alert(1)', "https://school.example 'unsafe-inline'", 'https://*.example'] as $wrong) {
        $this->as($this->root, 'PATCH', '/organisation', ['frameSites' => [$wrong]], app(Organisation::class)->version())->assertStatus(422)->assertJsonPath('errors.0.field', 'frameSites');
    }
    expect(app(Organisation::class)->settings()->frameSites)->toBe([SITE]);
    $this->as($this->root, 'GET', '/log')->assertJsonFragment(['words' => 'sites on which people may sign in within a frame: from none to “'.SITE.'”']);
});

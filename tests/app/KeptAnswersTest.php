<?php

use App\Calendars\Calendar;
use App\Feeds\Feed;
use App\Publishing\Kept\CountReads;
use App\Publishing\Kept\KeptAnswers;
use App\Publishing\Publication;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** When the settings were cached, as far as these tests are concerned. */
const STAMP = 7;

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->directory = sys_get_temp_dir().'/'.uniqid('kept-');
    $this->at = fn (int $stamp): KeptAnswers => new KeptAnswers($this->directory, $stamp, static fn (): int => now()->getTimestamp());
    $this->kept = ($this->at)(STAMP);
    $this->app->instance(KeptAnswers::class, $this->kept);
    $this->ada = $this->person('Ada Quill');
    $this->noor = $this->person('Noor Feldkamp');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->event = $this->add($this->slip, $this->ada, title: 'Haul out', more: ['categories' => ['Boats']]);
    $layer = ['name' => 'All', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug]];
    $this->overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer]])->assertCreated()->json();
    $this->input = ['name' => 'Slip', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all'];
    $this->page = $this->as($this->ada, 'POST', '/publications', $this->input + ['overlay' => $this->overlay['slug']])->assertCreated()->json();
    $this->feed = $this->as($this->ada, 'POST', '/feeds', ['name' => 'Mine', 'detail' => 'full', 'overlay' => $this->overlay['slug']])->assertCreated()->json();
    $this->path = fn (string $url): string => (string) parse_url($url, PHP_URL_PATH);
    $this->fetch = function (string $path, array $headers = []) {
        $this->app->forgetScopedInstances();
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();

        return $this->get($path, $headers);
    };
    /** What is given out without the framework, and with which status; null where that is nothing. */
    $this->answer = function (string $path, array $server = []): ?array {
        $reply = $this->kept->reply($server + ['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => $path]);

        return $reply === null ? null : [$reply[0], $reply[2] ? $reply[1]->content() : ''];
    };
});

afterEach(fn () => File::deleteDirectory($this->directory));

test('what was asked for once is given out again as it is, without the framework', function (string $which) {
    $path = ($this->path)($which === 'feed' ? $this->feed['url'] : $this->page['address'].$which);
    expect(($this->answer)($path))->toBeNull();
    $first = ($this->fetch)($path)->assertOk();
    $kept = $this->kept->find($path);
    expect($kept?->headers)->toMatchArray(['Content-Type' => $first->headers->get('Content-Type'), 'ETag' => $first->headers->get('ETag'), 'Content-Security-Policy' => $first->headers->get('Content-Security-Policy'), 'X-Content-Type-Options' => 'nosniff'])
        ->and(array_map(strtolower(...), array_keys($kept->headers ?? [])))->not->toContain('set-cookie', 'date', 'x-ratelimit-limit')
        ->and(($this->answer)($path))->toBe([200, $first->getContent()])
        ->and(($this->answer)($path, ['REQUEST_METHOD' => 'HEAD']))->toBe([200, ''])
        ->and(($this->answer)($path, ['REQUEST_METHOD' => 'POST']))->toBeNull()
        ->and(($this->answer)("{$path}?view=month"))->toBeNull();
    foreach ([(string) $first->headers->get('ETag'), 'W/'.$first->headers->get('ETag'), '"other", '.$first->headers->get('ETag'), '*'] as $mark) {
        expect(($this->answer)($path, ['HTTP_IF_NONE_MATCH' => $mark]))->toBe([304, '']);
    }
    expect(($this->answer)($path, ['HTTP_IF_NONE_MATCH' => '"other"'])[0])->toBe(200);
})->with(['page' => '', 'calendar for devices' => '.ics', 'feed' => 'feed']);

test('no address stands in what is kept, and nothing is kept of what is refused, asked otherwise, or where settings are not cached', function () {
    $path = ($this->path)($this->page['address']);
    ($this->fetch)($path)->assertOk();
    ($this->fetch)("{$path}?view=month")->assertOk();
    ($this->fetch)('/p/nothing')->assertNotFound();
    $files = File::files($this->directory);
    expect(count(array_filter($files, fn ($file): bool => $file->getExtension() === 'kept')))->toBe(1)
        ->and(implode(' ', array_map(fn ($file): string => $file->getFilename(), $files)))->not->toContain(basename($path));
    $this->as($this->ada, 'PUT', "/publications/{$this->page['id']}/paused", ['paused' => true])->assertOk();
    ($this->fetch)($path)->assertStatus(503);
    expect($this->kept->find($path))->toBeNull();
    $uncached = ($this->at)(0);
    $uncached->keep($path, 'text', [], $uncached->generation(), PHP_INT_MAX, '');
    expect($uncached->find($path))->toBeNull();
});

test('what was kept before the settings were cached anew, as by a release or a restored database, is none', function () {
    $path = ($this->path)($this->page['address']);
    ($this->fetch)($path)->assertOk();
    expect(($this->at)(STAMP)->find($path))->not->toBeNull()->and(($this->at)(STAMP + 1)->find($path))->toBeNull();
});

test('it ends at midnight where it is published', function () {
    $paths = [($this->path)($this->page['address']), ($this->path)($this->feed['url'])];
    foreach ($paths as $path) {
        ($this->fetch)($path)->assertOk();
    }
    $this->travelTo('2026-11-02 23:59:59');
    expect(array_map($this->kept->find(...), $paths))->not->toContain(null);
    $this->travelTo('2026-11-03 00:00:00');
    expect(array_map($this->kept->find(...), $paths))->toBe([null, null]);
});

test('the address before another ends when it was said to, not at midnight', function () {
    $path = ($this->path)($this->page['address']);
    $this->as($this->ada, 'POST', "/publications/{$this->page['id']}/renewal", ['days' => 7])->assertOk();
    Publication::query()->update(['former_until' => '2026-11-02 10:00:00']);
    ($this->fetch)($path)->assertOk();
    $this->travelTo('2026-11-02 09:59:59');
    expect($this->kept->find($path))->not->toBeNull();
    $this->travelTo('2026-11-02 10:00:00');
    expect($this->kept->find($path))->toBeNull();
});

test('each way in which it can become another takes it away', function (Closure $change) {
    $paths = [($this->path)($this->page['address']), ($this->path)($this->page['address']).'.ics', ($this->path)($this->feed['url'])];
    foreach ($paths as $path) {
        ($this->fetch)($path)->assertOk();
        expect($this->kept->find($path))->not->toBeNull();
    }
    $change($this);
    foreach ($paths as $path) {
        expect($this->kept->find($path))->toBeNull();
    }
})->with([
    'an event is added' => [fn ($test) => $test->add($test->slip, $test->ada)],
    'an event is changed' => [fn ($test) => $test->as($test->ada, 'PATCH', "/events/{$test->event->id}", ['title' => 'Other'], 1)->assertOk()],
    'an event is deleted' => [fn ($test) => $test->as($test->ada, 'DELETE', "/events/{$test->event->id}", version: 1)->assertNoContent()],
    'an event is pinned' => [fn ($test) => $test->as($test->ada, 'POST', "/events/{$test->event->id}/pins", ['calendar' => $test->calendar($test->ada)->slug])->assertNoContent()],
    'access is given' => [fn ($test) => $test->as($test->ada, 'PUT', "/calendars/{$test->slip->slug}/grants", ['kind' => 'person', 'id' => $test->noor->id, 'level' => 'see'])->assertOk()],
    'the calendar is handed over' => [fn ($test) => $test->as($test->ada, 'PUT', "/calendars/{$test->slip->slug}/keeper", ['kind' => 'person', 'id' => $test->noor->id, 'stays' => 'none'])->assertOk()],
    'the calendar is called otherwise' => [fn ($test) => $test->as($test->ada, 'PATCH', "/calendars/{$test->slip->slug}", ['name' => 'Other'], 1)->assertOk()],
    'the calendar is deleted' => [fn ($test) => $test->as($test->ada, 'DELETE', "/calendars/{$test->slip->slug}")->assertNoContent()],
    'the overlay is changed' => [fn ($test) => $test->as($test->ada, 'PUT', "/overlays/{$test->overlay['slug']}", ['name' => 'Other', 'layers' => [['name' => 'All', 'colour' => 'moss', 'mark' => 'disc', 'takes' => 'all', 'calendars' => []]]], 1)->assertOk()],
    'a category is called otherwise' => [fn ($test) => $test->as($test->ada, 'PATCH', '/categories/'.DB::table('categories')->where('name', 'Boats')->value('id'), ['name' => 'Ships'])->assertOk()],
    'somebody comes into a group' => [function ($test) {
        $group = $test->group('Riggers', $test->ada);
        $test->as($test->person('Root', ['role' => 'administrator']), 'PUT', "/groups/{$group->id}/members", ['kind' => 'person', 'id' => $test->noor->id, 'member' => true])->assertOk();
    }],
    'its publisher is suspended' => [fn ($test) => $test->as($test->person('Root', ['role' => 'administrator']), 'PUT', "/people/{$test->ada->id}/suspended", ['suspended' => true])->assertOk()],
    'its publisher lives elsewhere' => [fn ($test) => $test->as($test->ada, 'PATCH', '/session/person', ['timezone' => 'America/New_York'])->assertOk()],
    'its detail is changed' => [fn ($test) => $test->as($test->ada, 'PUT', "/publications/{$test->page['id']}", ['detail' => 'titles'] + $test->input)->assertOk()],
    'it is paused' => [fn ($test) => $test->as($test->ada, 'PUT', "/publications/{$test->page['id']}/paused", ['paused' => true])->assertOk()],
    'it is renewed' => [fn ($test) => $test->as($test->ada, 'POST', "/publications/{$test->page['id']}/renewal", ['days' => 0])->assertOk()],
    'it is taken back' => [fn ($test) => $test->as($test->ada, 'DELETE', "/publications/{$test->page['id']}")->assertNoContent()],
    'it stands in a frame' => [fn ($test) => $test->as($test->ada, 'PUT', "/publications/{$test->page['id']}/frame", ['sites' => ['https://school.example']])->assertOk()],
    'the feed is changed' => [fn ($test) => $test->as($test->ada, 'PUT', "/feeds/{$test->feed['id']}", ['name' => 'Mine', 'detail' => 'busy'])->assertOk()],
    'the feed is revoked' => [fn ($test) => $test->as($test->ada, 'DELETE', "/feeds/{$test->feed['id']}")->assertNoContent()],
]);

test('what is rolled back takes nothing away, what is committed does', function () {
    $path = ($this->path)($this->page['address']);
    ($this->fetch)($path)->assertOk();
    DB::beginTransaction();
    $this->add($this->slip, $this->ada);
    expect($this->kept->find($path))->not->toBeNull();
    DB::rollBack();
    expect($this->kept->find($path))->not->toBeNull();
});

test('what somebody changes while it is being made is not kept after it', function () {
    $path = ($this->path)($this->page['address']);
    $generation = $this->kept->generation();
    $this->kept->clear();
    $this->kept->keep($path, 'as it was', ['ETag' => '"old"'], $generation, PHP_INT_MAX, '');
    expect($this->kept->find($path))->toBeNull();
    $this->kept->keep($path, 'as it is', ['ETag' => '"new"'], $this->kept->generation(), PHP_INT_MAX, '');
    expect($this->kept->find($path)?->content())->toBe('as it is');
});

test('where there is no place to keep it, it is given out all the same; where it cannot be taken away, that is told', function () {
    File::deleteDirectory($this->directory);
    file_put_contents($this->directory, 'a file where a folder should be');
    $path = ($this->path)($this->page['address']);
    ($this->fetch)($path)->assertOk();
    expect($this->kept->find($path))->toBeNull()->and($this->kept->clear())->toBeFalse();
    unlink($this->directory);
    expect($this->kept->clear())->toBeTrue();
});

test('what is changed right after it was looked up is not kept either', function (string $which, string $table) {
    $path = ($this->path)($which === 'page' ? $this->page['address'] : $this->feed['url']);
    $changed = false;
    DB::listen(function ($query) use ($table, &$changed): void {
        if (! $changed && str_starts_with($query->sql, "select * from `{$table}`")) {
            $changed = true;
            $this->kept->clear();
        }
    });
    ($this->fetch)($path)->assertOk();
    expect($changed)->toBeTrue()->and($this->kept->find($path))->toBeNull();
    ($this->fetch)($path)->assertOk();
    expect($this->kept->find($path))->not->toBeNull();
})->with([['page', 'publications'], ['feed', 'feeds']]);

test('a file that was broken off is none', function () {
    $path = ($this->path)($this->page['address']);
    ($this->fetch)($path)->assertOk();
    [$file] = File::glob($this->directory.'/*.kept');
    foreach (['', '{', "[]\nHaul out", "\nHaul out"] as $broken) {
        file_put_contents($file, $broken);
        expect(($this->answer)($path))->toBeNull();
    }
});

test('what is given out so is counted, and of readers nothing but the kind of their program', function () {
    $page = ($this->path)($this->page['address']);
    $feed = ($this->path)($this->feed['url']);
    $etag = ($this->fetch)($page)->headers->get('ETag');
    ($this->fetch)($feed);
    expect(Publication::query()->sole()->reads)->toBe(1);
    ($this->answer)($page, ['HTTP_USER_AGENT' => 'Reader of Noor']);
    ($this->answer)($page);
    ($this->answer)($page, ['HTTP_IF_NONE_MATCH' => $etag]);
    ($this->answer)($page, ['REQUEST_METHOD' => 'HEAD']);
    ($this->answer)($feed, ['HTTP_USER_AGENT' => 'Diary (Android 15)']);
    expect(file_get_contents($this->directory.'/reads'))->not->toContain('Noor');
    $this->as($this->ada, 'GET', '/publications')->assertJsonPath('0.reads', 3);
    $this->as($this->ada, 'GET', '/feeds')->assertJsonPath('0.fetchedBy', 'a phone or tablet');
    expect(app(CountReads::class)->run())->toBe(0)->and(Publication::query()->sole()->reads)->toBe(3)->and(Feed::query()->sole()->fetched_by)->toBe('a phone or tablet');
});

test('a calendar that is shared with the public is kept at its address, and not once it is not', function () {
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'public', 'level' => 'see'])->assertOk();
    $path = "/public/{$this->slip->slug}.ics";
    $first = ($this->fetch)($path)->assertOk();
    expect(($this->answer)($path))->toBe([200, $first->getContent()])->and(($this->answer)($path, ['HTTP_IF_MODIFIED_SINCE' => $first->headers->get('Last-Modified')])[0])->toBe(304);
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'public', 'level' => 'none'])->assertOk();
    expect(($this->answer)($path))->toBeNull()->and(Calendar::query()->count())->toBeGreaterThan(0)->and(($this->fetch)($path)->status())->toBe(404);
});

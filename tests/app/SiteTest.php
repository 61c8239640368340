<?php

use App\Directory\Person;
use App\Letters\Letter;
use App\Upkeep\Heartbeats;
use App\Upkeep\Part;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Mail;
use Spatie\Activitylog\Models\Activity;

beforeEach(function () {
    Mail::fake();
    $this->travelTo('2026-11-26 09:00:00');
    DB::table('heartbeats')->update(['beat_at' => now(), 'told_at' => null]);
    [$this->root, $this->ada] = [$this->person('Ann Admin', ['role' => 'administrator']), $this->person()];
    $this->stopped = fn (): array => array_column($this->as($this->root, 'GET', '/site')->assertOk()->json('stopped'), 'since', 'part');
});

test('what runs by itself says that it does, and what stands still is told to administrators on the screen', function () {
    expect(($this->stopped)())->toBe([]);
    $this->travel(14)->minutes();
    expect(($this->stopped)())->toBe([]);
    app(Heartbeats::class)->look(Part::Schedule);
    event(new Looping('database', 'fetch-now,fetch'));
    $this->travel(2)->minutes();
    expect(($this->stopped)())->toBe(['letters' => '2026-11-26T09:00:00Z', 'work' => '2026-11-26T09:00:00Z']);
    $this->as($this->root, 'GET', '/site')->assertJsonPath('stopped.0.undone', 'no letters go out')->assertJsonPath('stopped.0.unit', 'pinned-rota-letters')->assertJsonPath('sendsMail', true);
    event(new Looping('database', 'default'));
    event(new Looping('database', 'work'));
    expect(($this->stopped)())->toBe([]);
});

test('a part that never began is told, too', function () {
    DB::table('heartbeats')->where('part', 'work')->delete();
    expect(($this->stopped)())->toBe(['work' => null]);
});

test('administrators are written to once for each time that something stands still, by what still runs', function () {
    $this->travel(16)->minutes();
    app(Heartbeats::class)->look(Part::Letters);
    // Each of the other three, to the one administrator; the letter leaves at once, without the queue.
    Mail::assertSent(Letter::class, 3);
    Mail::assertNothingQueued();
    Mail::assertSent(Letter::class, fn (Letter $letter): bool => $letter->hasTo($this->root->email) && str_contains($letter->render(), 'Since 09:00 on 26 November imports, exports and large changes wait.') && str_contains($letter->render(), 'systemctl status pinned-rota-work'));
    $this->travel(1)->minutes();
    app(Heartbeats::class)->look(Part::Letters);
    Mail::assertSent(Letter::class, 3);
    foreach ([Part::Schedule, Part::Work, Part::Fetching] as $part) {
        app()->forgetInstance(Heartbeats::class);
        app(Heartbeats::class)->look($part);
    }
    $this->travel(16)->minutes();
    app(Heartbeats::class)->look(Part::Letters);
    Mail::assertSent(Letter::class, 6);
});

test('a process beats now and then, not at each look', function () {
    $beats = app(Heartbeats::class);
    $beats->look(Part::Work);
    $this->travel(20)->seconds();
    $beats->look(Part::Work);
    expect($beats->all()['work']?->toTimeString())->toBe('09:00:00');
    $this->travel(11)->seconds();
    $beats->look(Part::Work);
    expect($beats->all()['work']?->toTimeString())->toBe('09:00:31');
});

test('a worker whose database is away says nothing, and goes on', function () {
    $this->travel(1)->hours();
    $default = config('database.default');
    config(['database.connections.away' => ['unix_socket' => '/nowhere'] + config("database.connections.{$default}"), 'database.default' => 'away']);
    try {
        event(new Looping('database', 'work'));
        $this->getJson('/api/v1/health')->assertStatus(503)->assertJson(['ok' => false, 'database' => false]);
    } finally {
        config(['database.default' => $default]);
    }
});

test('health tells of queue and scheduler, and that requests are answered all the same', function () {
    $this->getJson('/api/v1/health')->assertOk()->assertExactJson(['ok' => true, 'database' => true, 'disk' => true, 'queue' => true, 'schedule' => true]);
    $this->travel(16)->minutes();
    app(Heartbeats::class)->look(Part::Schedule);
    $this->getJson('/api/v1/health')->assertOk()->assertExactJson(['ok' => true, 'database' => true, 'disk' => true, 'queue' => false, 'schedule' => true]);
});

test('before anything is laid in the database, requests are answered already', function () {
    $default = config('database.default');
    // A database that answers and has none of our tables.
    config(['database.connections.bare' => ['database' => 'information_schema'] + config("database.connections.{$default}"), 'database.default' => 'bare']);
    try {
        $this->getJson('/api/v1/health')->assertOk()->assertExactJson(['ok' => true, 'database' => true, 'disk' => true, 'queue' => false, 'schedule' => false]);
    } finally {
        config(['database.default' => $default]);
    }
});

test('monitoring has its figures from the addresses that may have them, and nobody else', function () {
    $this->travel(1)->minutes();
    $text = $this->get('/metrics')->assertOk()->getContent();
    expect($text)->toContain('rota_heartbeat_age_seconds{part="work"} 60')->toContain("# TYPE rota_people gauge\nrota_people 2")->toContain('rota_queued_jobs{queue="default"} 0')
        ->and(preg_match_all('/^(?:# (?:HELP|TYPE) rota_\w+ .+|rota_\w+(?:\{\w+="[\w-]+"\})? -?[\d.E+]+)$/m', $text))->toBe(substr_count($text, "\n"));
    $this->withServerVariables(['REMOTE_ADDR' => '10.2.0.7'])->get('/metrics')->assertNotFound();
    config(['rota.metrics.from' => ['10.2.0.0/16']]);
    $this->withServerVariables(['REMOTE_ADDR' => '10.2.0.7'])->get('/metrics')->assertOk();
    $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/metrics')->assertNotFound();
});

test('where no letters go out, an administrator hands a link over: it is written down, and holds', function () {
    config(['mail.default' => 'log']);
    $new = $this->person('Nea New', ['password' => null]);
    $this->as($this->root, 'GET', '/site')->assertJsonPath('sendsMail', false);
    $url = $this->as($this->root, 'POST', "/people/{$new->id}/link")->assertCreated()->json('url');
    parse_str((string) parse_url($url, PHP_URL_QUERY), $query);
    $this->as($this->root, 'GET', '/log')->assertJsonPath('0.words', 'Nea New: a link to set a password was made')->assertJsonPath('0.revertable', false);
    expect(Activity::query()->where('event', 'link')->sole()->properties->toJson())->not->toContain($query['token']);
    $this->app['auth']->forgetGuards();
    $this->putJson('/api/v1/session/password-link', ['email' => $query['email'], 'token' => $query['token'], 'password' => 'a-long-enough-one'])->assertOk()->assertJsonPath('person.name', 'Nea New');
    // Of who has come in already, too: without letters nobody else could help them.
    $this->as($this->root, 'POST', "/people/{$this->ada->id}/link")->assertCreated();
    $this->ada->update(['status' => 'suspended']);
    $this->as($this->root, 'POST', "/people/{$this->ada->id}/link")->assertNotFound();
});

test('where letters go out, nobody but who owns the address has such a link', function () {
    $this->as($this->root, 'POST', "/people/{$this->ada->id}/link")->assertConflict();
    $this->as($this->ada, 'POST', "/people/{$this->root->id}/link")->assertForbidden();
});

test('a link is printed at the machine itself, of whoever may sign in', function () {
    expect(Artisan::call('rota:link', ['address' => $this->ada->email]))->toBe(0);
    parse_str((string) parse_url(trim(Artisan::output()), PHP_URL_QUERY), $query);
    $this->putJson('/api/v1/session/password-link', ['email' => $this->ada->email, 'token' => $query['token'], 'password' => 'another-long-one'])->assertOk();
    expect(Artisan::call('rota:link', ['address' => 'nobody@example.org']))->toBe(1)->and(Artisan::output())->toContain('Nobody who may sign in has the address “nobody@example.org”.');
    Person::query()->whereKey($this->ada->id)->update(['status' => 'left']);
    expect(Artisan::call('rota:link', ['address' => $this->ada->email]))->toBe(1);
});

test('without a mail server letters are kept, where nobody but the site reads them', function () {
    Mail::swap(new Illuminate\Mail\MailManager($this->app));
    $log = storage_path('logs/letters-test.log');
    File::delete($log);
    config(['mail.default' => 'log', 'logging.channels.letters.driver' => 'single', 'logging.channels.letters.path' => $log]);
    Mail::to($this->ada)->sendNow(new Letter($this->ada, 'A word', ['It is so.'], 'Open', '/'));
    expect(File::get($log))->toContain('Subject: A word')->toContain('It is so.')->and(fileperms($log) & 0777)->toBe(0600);
    File::delete($log);
});

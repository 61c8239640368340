<?php

use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Imports\Import;
use App\Organisation\Organisation;
use App\Overlays\Overlay;
use Database\Seeders\Demo\DemoSeeder;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Directory\Role;

test('the first person of a new site is added by command, and can sign in', function () {
    $this->artisan('rota:add-person', ['name' => 'Ada Quill', 'email' => 'ada@example.org', '--administrator' => true])
        ->expectsQuestion('A password of at least 10 characters', 'long-enough-now')->assertOk();
    expect(Person::query()->sole())->role->toBe(Role::Administrator)->timezone->toBe('Europe/London');
    $this->postJson('/api/v1/session', ['email' => 'ada@example.org', 'password' => 'long-enough-now'])->assertOk();
    $this->getJson('/api/v1/calendars')->assertJsonCount(1)->assertJsonPath('0.own', true)->assertJsonPath('0.name', 'Ada Quill: own calendar');
    $this->getJson('/api/v1/sheet?from=2026-11-01&to=2026-11-08&tz=UTC')->assertJsonCount(1, 'layers')->assertJson(['rows' => [], 'items' => [], 'categories' => [], 'closed' => [], 'weeks' => [], 'terms' => []]);
});

test('the first person of a new site is given a link instead, in the zone of the organisation, and comes in by it', function () {
    app(Organisation::class)->put(['timezone' => 'Europe/Oslo'], Person::query()->create(['name' => 'Before', 'email' => 'before@example.org', 'timezone' => 'UTC']));
    expect(Artisan::call('rota:add-person', ['name' => 'Ada Quill', 'email' => 'ada@example.org', '--administrator' => true, '--link' => true]))->toBe(0);
    parse_str((string) parse_url(trim(Artisan::output()), PHP_URL_QUERY), $link);
    expect(Person::query()->where('email', 'ada@example.org')->sole())->hasComeIn()->toBeFalse()->timezone->toBe('Europe/Oslo');
    $this->putJson('/api/v1/session/password-link', ['email' => $link['email'], 'token' => $link['token'], 'password' => 'long-enough-now'])->assertOk();
    $this->postJson('/api/v1/session', ['email' => 'ada@example.org', 'password' => 'long-enough-now'])->assertOk();
});

test('a person who cannot be is refused', function (string $name, string $email, string $password) {
    Person::query()->create(['name' => 'Ben', 'email' => 'ben@example.org', 'password' => 'x', 'timezone' => 'UTC', 'status' => 'active', 'role' => 'member', 'post' => '']);
    $this->artisan('rota:add-person', compact('name', 'email'))->expectsQuestion('A password of at least 10 characters', $password)->assertExitCode(1);
    expect(Person::query()->count())->toBe(1);
})->with([
    'no address' => ['Ada', 'ada', 'long-enough-now'],
    'an address that is taken' => ['Ada', 'ben@example.org', 'long-enough-now'],
    'a short password' => ['Ada', 'ada@example.org', 'short'],
]);

test('the demo is laid where it is asked for, once, and true to life', function () {
    config(['rota.demo.enabled' => false]);
    $this->artisan('rota:demo')->assertExitCode(1);
    expect(Person::query()->count())->toBe(0);
    expect(app(DemoSeeder::class)->lay())->toBeTrue()->and(app(DemoSeeder::class)->lay())->toBeFalse();
    expect(Person::query()->count())->toBe(40)
        ->and(Calendar::query()->whereNull('own_of')->count())->toBe(28)
        ->and(Calendar::query()->whereNotNull('own_of')->count())->toBe(40)
        ->and(EventRecord::query()->count())->toBeGreaterThan(2_900)
        ->and(EventRecord::query()->where('private', true)->count())->toBeGreaterThan(5)
        ->and(EventRecord::query()->where('status', 'provisional')->count())->toBeGreaterThan(20)
        ->and(Overlay::query()->where('slug', 'the-term-at-a-glance')->sole()->layers()->count())->toBe(7)
        // What some did since the others looked is there to be seen.
        ->and(DB::table('visits')->count())->toBe(40)->and(DB::table('operations')->where('created_at', '>=', now()->subDay())->count())->toBeGreaterThan(1)
        // Of the sources one fails, one would take much away and waits for a word, and three are worth having.
        ->and(DB::table('sources')->whereNull('error')->whereNotNull('succeeded_at')->count())->toBe(5)->and(DB::table('sources')->whereNotNull('failing_since')->count())->toBe(1)
        ->and(DB::table('refreshes')->where('state', 'held')->count())->toBe(1)->and(DB::table('sources')->whereNotNull('catalogue')->count())->toBe(3)
        ->and(DB::table('imports')->whereNotNull('applied_at')->count())->toBe(1)->and(DB::table('import_lines')->count())->toBe(3);
    // Laid around today: there is something on this week, whichever week that is.
    $today = now('Europe/London')->startOfWeek();
    $items = $this->sheet(Person::query()->where('name', 'Ines Halloran')->sole(), $today->format('Y-m-d'), $today->addWeek()->format('Y-m-d'))->json('items');
    expect(count($items))->toBeGreaterThan(50);
});

test('tidying drops old change marks but the newest, and files that were looked at only', function () {
    Storage::fake('local');
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    Storage::put('imports/old.ics', 'x');
    Storage::put('imports/new.ics', 'x');
    $old = Import::query()->create(['calendar_id' => $calendar->id, 'created_by' => $ada->id, 'file_name' => 'old.ics', 'path' => 'imports/old.ics']);
    Change::of($calendar->id);
    Change::of($calendar->id);
    DB::table('changes')->update(['created_at' => now()->subDays(30)]);
    $this->travel(30)->hours();
    Import::query()->create(['calendar_id' => $calendar->id, 'created_by' => $ada->id, 'file_name' => 'new.ics', 'path' => 'imports/new.ics']);
    $mark = Change::query()->max('id');
    $this->artisan('rota:tidy')->assertOk();
    expect(Storage::allFiles())->toBe(['imports/new.ics'])
        ->and($old->refresh()->path)->toBeNull()
        ->and(Change::query()->pluck('id')->all())->toBe([$mark]);
});

test('an empty organisation begins with one administrator, once', function () {
    config(['rota.demo.enabled' => true]);
    expect(Artisan::call('rota:demo', ['--empty' => true]))->toBe(0)->and(Person::query()->sole()->only('name', 'role'))->toBe(['name' => 'Bertil Acheng', 'role' => Role::Administrator]);
    $this->postJson('/api/v1/session', ['email' => 'bertil.acheng@skerrin-quay.example', 'password' => config('rota.demo.password')])->assertOk();
    Artisan::call('rota:demo', ['--empty' => true]);
    Artisan::call('rota:demo');
    expect(Person::query()->count())->toBe(1);
});

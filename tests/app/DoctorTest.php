<?php

use App\Upkeep\Check;
use App\Upkeep\Checks\CertificateCheck;
use App\Upkeep\Checks\ConfigurationCheck;
use App\Upkeep\Checks\DatabaseCheck;
use App\Upkeep\Checks\FilesCheck;
use App\Upkeep\Checks\OutsideCheck;
use App\Upkeep\Checks\PhpCheck;
use App\Upkeep\Checks\WebCheck;
use App\Upkeep\Checks\WorkersCheck;
use App\Upkeep\Finding;
use App\Upkeep\Heartbeats;
use App\Upkeep\Part;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Mail;

beforeEach(function () {
    $this->cached = $_SERVER['APP_CONFIG_CACHE'];
    // An instance with which nothing is wrong.
    $this->home = storage_path('framework/cache/doctor-'.bin2hex(random_bytes(4)));
    foreach (['storage/app', 'storage/logs', 'storage/framework/views', 'storage/framework/cache', 'cache'] as $folder) {
        mkdir("{$this->home}/{$folder}", 0750, true);
    }
    file_put_contents("{$this->home}/.env", 'DB_PASSWORD=secret');
    chmod("{$this->home}/.env", 0640);
    $this->app->when(FilesCheck::class)->needs('$home')->give($this->home);
    config(['app.url' => 'https://rota.example.org', 'session.secure' => true, 'app.debug' => false, 'mail.default' => 'smtp', 'mail.from.address' => 'rota@example.org', 'rota.live.publisher' => 'http://127.0.0.1:9', 'rota.sources.trusted' => []]);
    $this->app->useEnvironmentPath($this->home);
    $this->answer = 404;
    Http::preventStrayRequests();
    $this->web = ['home' => dirname(storage_path()), 'owner' => posix_getpwuid((int) fileowner(dirname(storage_path())))['name'], 'upload' => 64 * 1024 ** 2, 'post' => 64 * 1024 ** 2, 'memory' => 256 * 1024 ** 2, 'compiled' => true, 'secure' => true];
    $this->webAnswers = 200;
    $this->body = 405;
    Http::fake([
        '127.0.0.1:9/*' => fn () => Http::response('', $this->answer),
        'rota.example.org/upkeep/web*' => fn ($request) => match (true) {
            $this->webAnswers === 0 => throw new ConnectionException('nobody there'),
            $request->method() === 'POST' => Http::response('', $this->body),
            default => Http::response($this->web, $this->webAnswers),
        },
    ]);
    $this->app->when(CertificateCheck::class)->needs('$ends')->give(fn (): int => time() + $this->certificateHolds * 86_400);
    $this->certificateHolds = 90;
    DB::table('heartbeats')->update(['beat_at' => now()]);
    /** @return list<string> what a check finds */
    $this->found = fn (string $check): array => array_map(static fn (Finding $each): string => $each->what, iterator_to_array($this->app->make($check)->findings(), false));
});

afterEach(function () {
    File::deleteDirectory($this->home);
    $_SERVER['APP_CONFIG_CACHE'] = $this->cached;
    DB::statement('SET timestamp = DEFAULT');
});

test('where nothing is wrong it is silent', function () {
    expect(Artisan::call('rota:doctor'))->toBe(0)->and(Artisan::output())->toBe('');
});

test('each fault is named, with what to do, and nothing else is', function (string $check, Closure $make, string $what, string $remedy) {
    $make($this);
    $found = iterator_to_array($this->app->make($check)->findings(), false);
    expect($found)->toHaveCount(1)->and($found[0]->what)->toContain($what)->and($found[0]->remedy)->toContain($remedy);
})->with([
    'no key' => [ConfigurationCheck::class, fn () => config(['app.key' => '']), 'APP_KEY is empty', 'key:generate'],
    'errors show' => [ConfigurationCheck::class, fn () => config(['app.debug' => true]), 'APP_DEBUG is on', '.env'],
    'no address' => [ConfigurationCheck::class, fn () => config(['app.url' => 'rota']), 'APP_URL is “rota”', 'https://'],
    'open sessions' => [ConfigurationCheck::class, fn () => config(['session.secure' => false]), 'unencrypted', 'SESSION_SECURE_COOKIE=true'],
    'no such zone' => [ConfigurationCheck::class, fn () => config(['rota.timezone_written' => 'Europe/Nowhere']), '“Europe/Nowhere”', 'IANA'],
    'a change that was not cached' => [ConfigurationCheck::class, function ($test): void {
        touch("{$test->home}/cache/config.php", time() - 60);
        $_SERVER['APP_CONFIG_CACHE'] = "{$test->home}/cache/config.php";
    }, 'does not hold yet', 'config:cache'],
    'a folder is missing' => [FilesCheck::class, fn ($test) => rmdir("{$test->home}/storage/logs"), 'storage/logs is missing', 'mkdir -p'],
    'passwords that everybody reads' => [FilesCheck::class, fn ($test) => chmod("{$test->home}/.env", 0644), 'may be read by everybody', 'chmod 640'],
    'a clock that is off' => [DatabaseCheck::class, fn () => DB::statement('SET timestamp = UNIX_TIMESTAMP() + 100'), 'seconds off', 'time server'],
    'an earlier version' => [DatabaseCheck::class, fn () => DB::table('migrations')->where('migration', 'like', '%first_steps')->delete(), '1 migrations wait', 'migrate --force'],
    'a worker that stands still' => [WorkersCheck::class, fn () => DB::table('heartbeats')->where('part', 'fetching')->update(['beat_at' => now()->subHour()]), 'no addresses are read', 'systemctl status pinned-rota-fetch@1'],
    'work that failed' => [WorkersCheck::class, fn () => DB::table('failed_jobs')->insert(['uuid' => 'a', 'connection' => 'database', 'queue' => 'default', 'payload' => '{}', 'exception' => '']), '1 queued jobs have failed', 'queue:failed'],
    'an index that lags' => [WorkersCheck::class, function ($test): void {
        App\Occurrences\OccurrenceHorizon::current();
        $test->travel(9)->days();
        foreach (Part::cases() as $part) {
            app()->forgetInstance(Heartbeats::class);
            app(Heartbeats::class)->look($part);
        }
    }, 'lags 9 days', 'rota:roll-horizon'],
    'a site that does not answer' => [WebCheck::class, fn ($test) => $test->webAnswers = 0, 'does not answer at https://rota.example.org: nobody there', 'APP_URL'],
    'a site that fails' => [WebCheck::class, fn ($test) => $test->webAnswers = 502, 'with 502', 'PHP-FPM'],
    'another instance' => [WebCheck::class, fn ($test) => $test->web['home'] = '/srv/another', 'serves the instance at /srv/another', 'env[ROTA_HOME]'],
    'another owner' => [WebCheck::class, fn ($test) => $test->web['owner'] = 'nobody-of-here', 'PHP-FPM runs as nobody-of-here', 'chown'],
    'small files by PHP' => [WebCheck::class, fn ($test) => $test->web['upload'] = 2 * 1024 ** 2, 'upload_max_filesize of PHP-FPM is 2 MB', 'deploy/php.ini'],
    'small messages by PHP' => [WebCheck::class, fn ($test) => $test->web['post'] = 8 * 1024 ** 2, 'post_max_size of PHP-FPM is 8 MB', 'deploy/php.ini'],
    'little memory' => [WebCheck::class, fn ($test) => $test->web['memory'] = 128 * 1024 ** 2, 'memory_limit of PHP-FPM is 128 MB', 'deploy/php.ini'],
    'nothing compiled is kept' => [WebCheck::class, fn ($test) => $test->web['compiled'] = false, 'opcache is off', 'php8.2-opcache'],
    'a proxy that is not known' => [WebCheck::class, fn ($test) => $test->web['secure'] = false, 'a proxy stands before the site', 'ROTA_TRUSTED_PROXIES'],
    'small files by the web server' => [WebCheck::class, fn ($test) => $test->body = 413, 'The web server takes no files as large', 'client_max_body_size'],
    'a certificate that ends' => [CertificateCheck::class, fn ($test) => $test->certificateHolds = 3, 'The certificate of the site ends on', 'Renew'],
    'no mail' => [OutsideCheck::class, fn () => config(['mail.default' => 'log']), 'No mail is set up', 'MAIL_HOST'],
    'letters from nowhere' => [OutsideCheck::class, fn () => config(['mail.from.address' => 'rota@localhost.localdomain']), 'refuse', 'MAIL_FROM_ADDRESS'],
    'nothing is pushed' => [OutsideCheck::class, fn () => config(['rota.live.publisher' => null]), 'not told of changes', 'ROTA_LIVE_PUBLISHER'],
    'a publisher that is none' => [OutsideCheck::class, fn ($test) => $test->answer = 502, 'does not answer', 'libnginx-mod-nchan'],
    'an address on the own network' => [OutsideCheck::class, fn () => config(['rota.sources.trusted' => ['10.0.0.7:80']]), '10.0.0.7:80', 'ROTA_TRUSTED_SOURCES'],
]);

test('an extension that is missing is named with its package', function () {
    $check = new PhpCheck(['ctype', 'curl', 'dom', 'fileinfo', 'mbstring', 'openssl', 'pdo_mysql']);
    $found = iterator_to_array($check->findings(), false);
    expect($found)->toHaveCount(1)->and($found[0]->what)->toBe('The PHP extension intl is missing.')->and($found[0]->remedy)->toContain('php8.2-intl');
});

test('what root left behind is found', function () {
    touch("{$this->home}/storage/logs/rota.log");
    chown("{$this->home}/storage/logs/rota.log", 33);
    expect(($this->found)(FilesCheck::class)[0])->toContain('1 files of the instance belong to somebody else')->toContain('rota.log');
})->skip(posix_getuid() !== 0, 'Only root can leave something behind.');

test('without a database it says so, and goes on', function () {
    $default = config('database.default');
    config(['database.connections.away' => ['unix_socket' => '/nowhere'] + config("database.connections.{$default}"), 'database.default' => 'away']);
    try {
        expect(($this->found)(DatabaseCheck::class)[0])->toContain('cannot be reached')->and(($this->found)(WorkersCheck::class))->toBe([]);
    } finally {
        config(['database.default' => $default]);
    }
});

test('it sends a letter where it is asked to, and says what it found', function () {
    Mail::fake();
    config(['app.key' => config('app.key'), 'session.secure' => false]);
    expect(Artisan::call('rota:doctor', ['--mail' => 'ada@example.org']))->toBe(1);
    expect(Artisan::output())->toContain('Sessions may go over unencrypted connections.')->toContain('SESSION_SECURE_COOKIE=true')->toContain('A letter is on its way to ada@example.org.');
});

test('every check is one that the doctor makes', function () {
    $made = (new ReflectionClassConstant(App\Upkeep\Doctor::class, 'CHECKS'))->getValue();
    $there = array_map(static fn (string $path): string => 'App\\Upkeep\\Checks\\'.basename($path, '.php'), glob(app_path('Upkeep/Checks/*.php')));
    expect($made)->toEqualCanonicalizing($there)->each->toImplement(Check::class);
});

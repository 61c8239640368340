<?php

use Tests\Support\ScratchBrowser;
use Tests\Support\ScratchMachine;

/*
 * A school's own installation, as root, from the archive to its second instance. Each test goes on from where the one before it
 * left the machine.
 */

const PASSWORD = 'low-water-springs';

function machine(): ScratchMachine
{
    static $machine = null;

    return $machine ??= new ScratchMachine;
}

/** @return array<string, mixed> what the tests hand on to each other */
function &kept(): array
{
    static $kept = [];

    return $kept;
}

function urlOf(string $name): string
{
    return trim((string) shell_exec('sed -n \'s/^APP_URL="\(.*\)"$/\1/p\' '.machine()->root."/var/lib/{$name}/.env"));
}

function signedIn(string $name): ScratchBrowser
{
    $browser = machine()->browser(urlOf($name));
    $browser->signIn('ada@example.org', PASSWORD);

    return $browser;
}

/** @return array<string, mixed> what a restored instance must have as it was */
function contents(string $name): array
{
    $browser = signedIn($name);
    $rows = $browser->say('GET', '/table?from=2027-03-01&to=2027-03-08&tz=Europe/London')['rows'];

    return ['window' => array_map(fn (array $each): array => [$each['title'], $each['start'], $each['end']], $rows), 'calendars' => array_column(array_filter($browser->say('GET', '/calendars'), static fn (array $each): bool => ! $each['own']), 'name')];
}

afterAll(fn () => posix_getuid() === 0 && machine()->end());

describe('an installation', function () {
    test('is refused from a checkout, without a word missing, and to others than root', function () {
        $checkout = machine()->run([dirname(__DIR__, 2).'/deploy/install', '--answers', machine()->answers('pinned-rota')]);
        expect($checkout->getExitCode())->toBe(1)->and($checkout->getErrorOutput())->toContain('deploy/pack makes an archive');

        kept()['pack'] = machine()->unpack();
        $install = kept()['pack'].'/deploy/install';
        machine()->write('etc/short.answers', "HOST=localhost\nTIMEZONE=Europe/Nowhere\n");
        expect(machine()->run([$install, '--answers', machine()->root.'/etc/short.answers'])->getErrorOutput())->toContain('not told: ADMINISTRATOR_NAME ADMINISTRATOR_ADDRESS');
        machine()->write('etc/odd.answers', "HOST=localhost\nHOTS=localhost\n");
        expect(machine()->run([$install, '--answers', machine()->root.'/etc/odd.answers'])->getErrorOutput())->toContain('line 2')->toContain('there is no HOTS');
        expect(machine()->run([$install, '--answers', machine()->answers('nowhere', ['TIMEZONE' => 'Europe/Nowhere'])])->getErrorOutput())->toContain('there is no zone “Europe/Nowhere”');
        expect(machine()->run(['runuser', '-u', 'www-data', '--', $install])->getErrorOutput())->toContain('done as root');
        expect(is_dir(machine()->root.'/var/lib/pinned-rota'))->toBeFalse();
    });

    test('is one command, which says each thing, prints a link, and leaves nothing for the doctor to say', function () {
        $said = machine()->do([kept()['pack'].'/deploy/install', '--answers', machine()->answers('pinned-rota', ['MAIL_USERNAME' => 'rota', 'MAIL_PASSWORD' => 'two "words" $HOME \\ #1'])]);
        expect($said)->toContain('Code:')->toContain('Database:')->toContain('Settings:')->toContain('Services:')->toContain('Ready: https://localhost');
        expect(preg_match('#sets a password here: (https://localhost:\d+/password\?\S+)#', $said, $found))->toBe(1);
        kept()['link'] = $found[1];
        $doctor = machine()->artisan('pinned-rota', ['rota:doctor']);
        expect($doctor->getOutput().$doctor->getErrorOutput())->toBe('')->and($doctor->getExitCode())->toBe(0);
    });

    test('is readable to www-data, and secret to others', function () {
        $root = machine()->root;
        expect(machine()->do(['runuser', '-u', 'www-data', '--', 'find', "{$root}/srv/pinned-rota/current/", '!', '-readable']))->toBe('');
        expect(trim(machine()->do(['stat', '-c', '%U:%G %a', "{$root}/var/lib/pinned-rota/.env"])))->toBe('root:www-data 640');
        expect(trim(machine()->do(['find', "{$root}/var/lib/pinned-rota", '-mindepth', '1', '!', '-user', 'www-data', '-name', '[!.]*'])))->toBe('');
        expect(trim(machine()->do(['find', "{$root}/srv/pinned-rota/current/", '-type', 'd', '-name', 'tests', '-path', '*/current/tests'])))->toBe('')
            ->and(is_dir("{$root}/srv/pinned-rota/current/resources/js"))->toBeFalse()->and(is_dir("{$root}/srv/pinned-rota/current/node_modules"))->toBeFalse();
        // Quotes, a dollar and a backslash in a password come through.
        expect(machine()->artisan('pinned-rota', ['config:show', 'mail.mailers.smtp.password'])->getOutput())->toContain('two "words" $HOME \\ #1');
    });

    test('serves as www-data: the link sets a password, and an event with a file of 19 MB is kept', function () {
        parse_str((string) parse_url(kept()['link'], PHP_URL_QUERY), $link);
        $browser = machine()->browser(urlOf('pinned-rota'));
        $browser->say('GET', '/session');
        $browser->say('PUT', '/session/password-link', ['email' => $link['email'], 'token' => $link['token'], 'password' => PASSWORD]);
        $browser = signedIn('pinned-rota');
        $calendar = $browser->say('POST', '/calendars', ['name' => 'Keel year', 'colour' => 'sea', 'mark' => 'disc']);
        $event = $browser->say('POST', '/events', ['calendar' => $calendar['slug'], 'title' => 'Rigging test', 'start' => '2027-03-05T09:30', 'end' => '2027-03-05T11:00', 'timezone' => 'Europe/London']);
        $file = "%PDF-1.4\n".random_bytes(19 * 1024 * 1024);
        $answer = $browser->ask('POST', "/api/v1/events/{$event['id']}/attachments", ['multipart' => [['name' => 'file', 'filename' => 'plan.pdf', 'contents' => $file]]]);
        expect($answer->getStatusCode())->toBe(201);
        kept()['event'] = $event['id'];
        kept()['attachment'] = json_decode((string) $answer->getBody(), true)['id'];
        kept()['file'] = hash('sha256', $file);
        expect(contents('pinned-rota'))->toBe(['window' => [['Rigging test', '2027-03-05T09:30', '2027-03-05T11:00']], 'calendars' => ['Keel year']]);
    });

    test('sends browsers to the encrypted site, which says so, packs its scripts, and writes no key down', function () {
        $port = trim(machine()->do(['sed', '-n', 's/^HTTP_PORT=//p', machine()->root.'/etc/pinned-rota/pinned-rota.conf']));
        $plain = machine()->browser("http://localhost:{$port}")->ask('GET', '/people?x=1');
        expect($plain->getStatusCode())->toBe(301)->and($plain->getHeaderLine('Location'))->toBe(urlOf('pinned-rota').'/people?x=1');
        $browser = machine()->browser(urlOf('pinned-rota'));
        $page = $browser->ask('GET', '/');
        expect($page->getHeaderLine('Strict-Transport-Security'))->toContain('max-age=31536000');
        expect(preg_match('#/build/assets/[^"]+\.css#', (string) $page->getBody(), $style))->toBe(1);
        expect($browser->ask('GET', $style[0], ['headers' => ['Accept-Encoding' => 'gzip'], 'decode_content' => false])->getHeaderLine('Content-Encoding'))->toBe('gzip');
        $browser->ask('GET', '/feeds/a-key-of-a-feed.ics');
        $browser->ask('GET', kept()['link']);
        $log = machine()->root.'/var/log/nginx/pinned-rota.log';
        machine()->until(fn (): bool => str_contains((string) file_get_contents($log), 'GET /password... 200'));
        expect(file_get_contents($log))->toContain('GET /feeds/... 404')->toContain('GET /api/v1/calendars 200')->not->toContain('a-key-of-a-feed')->not->toContain('token=');
    });

    test('is done again without harm, and leaves alone what was changed by hand', function () {
        $root = machine()->root;
        $site = "{$root}/etc/nginx/sites-available/pinned-rota";
        file_put_contents($site, str_replace('ssl_session_tickets off;', "ssl_session_tickets off;\n    add_header X-Of-The-School yes;", (string) file_get_contents($site)));
        file_put_contents("{$root}/var/lib/pinned-rota/.env", "LOG_LEVEL=debug\n", FILE_APPEND);
        $key = preg_grep('/^(APP_KEY|DB_PASSWORD)=/', file("{$root}/var/lib/pinned-rota/.env"));
        $said = machine()->do([kept()['pack'].'/deploy/install']);
        expect($said)->toContain("{$site} was changed by hand")->not->toContain('sets a password here');
        expect(file_get_contents($site))->toContain('X-Of-The-School')->and(file_exists("{$site}.new"))->toBeTrue();
        expect(file("{$root}/var/lib/pinned-rota/.env"))->toContain("LOG_LEVEL=debug\n")->toContain(...array_values($key));
        expect(contents('pinned-rota')['calendars'])->toBe(['Keel year']);
        machine()->do(['mv', "{$site}.new", $site]);
    });
})->skip(posix_getuid() !== 0, 'Only root can install.');

describe('what is wrong', function () {
    /** @return string what the doctor says */
    $doctor = fn (): string => machine()->artisan('pinned-rota', ['rota:doctor'])->getOutput();
    $home = fn (): string => machine()->root.'/var/lib/pinned-rota';

    test('is named, one fault at a time', function (Closure $break, Closure $mend, string $named) use ($doctor) {
        $break();
        try {
            $said = $doctor();
        } finally {
            $mend();
        }
        expect($said)->toContain($named)->and(substr_count($said, "\n  "))->toBe(1);
        expect($doctor())->toBe('');
    })->with(function () use ($home) {
        $php = fn (): string => machine()->root.'/etc/php/8.2/fpm/conf.d/90-pinned-rota.ini';
        $site = fn (): string => machine()->root.'/srv/pinned-rota/current/deploy/nginx/application.conf';
        $fpm = fn (string $from, string $to) => function () use ($php, $from, $to): void {
            file_put_contents($php(), str_replace($from, $to, (string) file_get_contents($php())));
            machine()->services('reload', 'php8.2-fpm.service');
        };
        $nginx = fn (string $from, string $to) => function () use ($site, $from, $to): void {
            file_put_contents($site(), str_replace($from, $to, (string) file_get_contents($site())));
            machine()->services('reload', 'nginx.service');
            sleep(1);
        };
        $sql = fn (string $statement) => fn () => machine()->sql('pinned_rota', $statement);
        $environment = fn (string $from, string $to) => function () use ($home, $from, $to): void {
            file_put_contents("{$home()}/.env", str_replace($from, $to, (string) file_get_contents("{$home()}/.env")));
            machine()->artisan('pinned-rota', ['config:cache']);
        };

        return [
            'a file of root' => [fn () => touch("{$home()}/storage/logs/of-root.log"), fn () => unlink("{$home()}/storage/logs/of-root.log"), 'belong to somebody else than www-data'],
            'settings that all may read' => [fn () => chmod("{$home()}/.env", 0644), fn () => chmod("{$home()}/.env", 0640), 'may be read by everybody'],
            'a folder that is missing' => [fn () => rmdir("{$home()}/storage/framework/cache"), fn () => machine()->do(['install', '-d', '-o', 'www-data', '-g', 'www-data', '-m', '750', "{$home()}/storage/framework/cache"]), 'framework/cache is missing'],
            'small files only, says PHP' => [$fpm('upload_max_filesize = 64M', 'upload_max_filesize = 2M'), $fpm('upload_max_filesize = 2M', 'upload_max_filesize = 64M'), 'upload_max_filesize of PHP-FPM is 2 MB'],
            'small files only, says nginx' => [$nginx('client_max_body_size 64m', 'client_max_body_size 1m'), $nginx('client_max_body_size 1m', 'client_max_body_size 64m'), 'The web server takes no files as large'],
            'a zone that is none' => [$environment('Europe/London', 'Europe/Nowhere'), $environment('Europe/Nowhere', 'Europe/London'), '“Europe/Nowhere”'],
            'settings newer than what is cached' => [function () use ($home) {
                touch("{$home()}/.env", time() + 5);
                clearstatcache();
            }, fn () => touch("{$home()}/.env", time() - 60), 'changed after it was cached'],
            'a migration that waits' => [$sql("DELETE FROM migrations WHERE migration LIKE '%heartbeats'"), $sql("INSERT INTO migrations (migration, batch) VALUES ('2026_11_26_000017_heartbeats', 1)"), '1 migrations wait'],
            'a scheduler that stands still' => [function (): void {
                machine()->services('stop', 'pinned-rota-schedule.service');
                machine()->sql('pinned_rota', "UPDATE heartbeats SET beat_at = beat_at - INTERVAL 1 HOUR, told_at = NOW() WHERE part = 'schedule'");
            }, function (): void {
                machine()->services('restart', 'pinned-rota-schedule.service');
                machine()->artisan('pinned-rota', ['schedule:run']);
            }, 'systemctl status pinned-rota-schedule'],
            'work that failed' => [$sql("INSERT INTO failed_jobs (uuid, connection, queue, payload, exception, failed_at) VALUES ('a', 'database', 'default', '{}', '', NOW())"), $sql('DELETE FROM failed_jobs'), '1 queued jobs have failed'],
            'an address on the own network' => [fn () => $environment('ROTA_UNITS=', "ROTA_TRUSTED_SOURCES=10.0.0.7:80\nROTA_UNITS=")(), fn () => $environment("ROTA_TRUSTED_SOURCES=10.0.0.7:80\n", '')(), '10.0.0.7:80'],
            'nobody who tells browsers' => [$environment('ROTA_LIVE_PUBLISHER=http://127.0.0.1:', 'ROTA_LIVE_PUBLISHER=http://127.0.0.2:'), $environment('127.0.0.2:', '127.0.0.1:'), 'The publisher at'],
            'an address that is another' => [$environment('APP_URL="https://localhost:', 'APP_URL="https://127.0.0.3:'), $environment('APP_URL="https://127.0.0.3:', 'APP_URL="https://localhost:'), 'does not answer at https://127.0.0.3'],
        ];
    });

    test('a worker that is killed comes back', function () {
        $worker = fn (): string => trim(machine()->run(['pgrep', '-u', 'www-data', '-f', machine()->root.'/srv/pinned-rota/current/artisan queue:work --queue=work'])->getOutput());
        $first = $worker();
        expect($first)->toMatch('/^\d+$/');
        posix_kill((int) $first, SIGKILL);
        machine()->until(fn (): bool => preg_match('/^\d+$/', $worker()) === 1 && $worker() !== $first);
    });

    test('root who runs artisan is told to be another, and leaves nothing', function () use ($home) {
        $artisan = machine()->root.'/srv/pinned-rota/current/artisan';
        $root = machine()->run(['env', "ROTA_HOME={$home()}", 'php', $artisan, 'about']);
        expect($root->getExitCode())->toBe(2)->and($root->getErrorOutput())->toContain('runuser -u www-data');
        $nowhere = machine()->run(['runuser', '-u', 'www-data', '--', 'php', $artisan, 'about']);
        expect($nowhere->getExitCode())->toBe(2)->and($nowhere->getErrorOutput())->toContain('There is no instance');
    });
})->skip(posix_getuid() !== 0, 'Only root can install.');

describe('an instance that lives on', function () {
    test('is backed up without a pause, and an archive that was changed is refused', function () {
        kept()['archive'] = ScratchMachine::lastLine(machine()->do([kept()['pack'].'/deploy/backup']));
        expect(fileperms(kept()['archive']) & 0777)->toBe(0600);
        expect(machine()->run([kept()['pack'].'/deploy/restore', kept()['archive']])->getErrorOutput())->toContain('has 1 people in it: --over');
        $bad = machine()->root.'/opt/bad.tar.gz';
        $stage = machine()->root.'/opt/bad';
        machine()->do(['sh', '-c', "mkdir {$stage} && tar -xzf ".kept()['archive']." -C {$stage} && echo '-- one more' >> {$stage}/database.sql && tar -czf {$bad} -C {$stage} ."]);
        expect(machine()->run([kept()['pack'].'/deploy/restore', $bad, '--over'])->getErrorOutput())->toContain('its sums differ');
        expect(contents('pinned-rota')['calendars'])->toBe(['Keel year']);
    });

    test('is upgraded from the set of migrations before, with a dump, and taken back', function () {
        $pack = kept()['pack'];
        $last = basename((string) last(glob("{$pack}/database/migrations/*.php")), '.php');
        // The release before: without the last migration, on a database without it.
        expect($last)->toBe('2026_11_28_000038_rows_have_keys');
        machine()->sql('pinned_rota', "ALTER TABLE table_shapes DROP COLUMN `keys`; ALTER TABLE import_lines DROP INDEX import_lines_calendar_id_row_key_index, DROP COLUMN row_key; DELETE FROM migrations WHERE migration = '{$last}'");
        $before = kept()['before'] = machine()->root.'/srv/pinned-rota/releases/0.9-before';
        $current = machine()->root.'/srv/pinned-rota/current';
        machine()->do(['sh', '-c', "mv $(readlink -f {$current}) {$before} && ln -sfn {$before} {$current} && echo 0.9-before > {$before}/RELEASE && rm {$before}/database/migrations/{$last}.php"]);
        machine()->services('reload', 'php8.2-fpm.service');

        $said = machine()->do(["{$pack}/deploy/upgrade"]);
        expect($said)->toContain('0.9-before → ')->toContain('being worked on')->toContain('A dump first')->toContain('The index holds what the core says')->toContain('Upgraded: ');
        expect(machine()->sql('pinned_rota', "SELECT COUNT(*) FROM migrations WHERE migration = '{$last}'"))->toBe('1');
        expect(contents('pinned-rota')['window'])->toHaveCount(1);
        expect(machine()->do(["{$pack}/deploy/upgrade"]))->toContain('nothing to do');

        signedIn('pinned-rota')->say('POST', '/calendars', ['name' => 'Made since', 'colour' => 'moss', 'mark' => 'disc']);
        expect(machine()->run(["{$pack}/deploy/upgrade", '--back'])->getErrorOutput())->toContain('what was written since would be lost');
        expect(machine()->do(["{$pack}/deploy/upgrade", '--back', '--yes']))->toContain('serves 0.9-before');
        expect(machine()->sql('pinned_rota', "SELECT COUNT(*) FROM migrations WHERE migration = '{$last}'"))->toBe('0');
        machine()->do(["{$pack}/deploy/upgrade"]);
        expect(contents('pinned-rota'))->toMatchArray(['calendars' => ['Keel year']]);
    });

    test('a release whose migration fails leaves the one before, as it was', function () {
        $broken = machine()->root.'/opt/broken';
        machine()->do(['cp', '-r', kept()['pack'], $broken]);
        file_put_contents("{$broken}/RELEASE", "0.9-broken\n");
        file_put_contents("{$broken}/database/migrations/2027_01_01_000001_breaks.php", "<?php\nreturn new class extends Illuminate\\Database\\Migrations\\Migration {\n    public function up(): void { Illuminate\\Support\\Facades\\DB::statement('DELETE FROM events'); Illuminate\\Support\\Facades\\DB::statement('DROP TABLE nothing'); }\n};\n");
        $upgrade = machine()->run(["{$broken}/deploy/upgrade"]);
        expect($upgrade->getExitCode())->toBe(1)->and($upgrade->getErrorOutput())->toContain('could not be changed to 0.9-broken');
        expect(contents('pinned-rota')['window'])->toHaveCount(1);
        expect(machine()->artisan('pinned-rota', ['rota:doctor'])->getOutput())->toBe('');
    });

    test('says that it is being worked on, to people and to programs', function () {
        machine()->artisan('pinned-rota', ['down', '--retry=60', '--refresh=20']);
        $browser = machine()->browser(urlOf('pinned-rota'));
        $page = $browser->ask('GET', '/', ['headers' => ['Accept' => 'text/html']]);
        $answer = $browser->ask('GET', '/api/v1/session');
        machine()->artisan('pinned-rota', ['up']);
        expect($page->getStatusCode())->toBe(503)->and((string) $page->getBody())->toContain('Pinned Rota is being worked on')->and($page->getHeaderLine('Retry-After'))->toBe('60');
        expect($answer->getStatusCode())->toBe(503)->and((string) $answer->getBody())->toContain('It is back in a few minutes');
    });

    test('is restored into a second one, which serves the same', function () {
        $root = machine()->root;
        machine()->do([kept()['pack'].'/deploy/install', '--name', 'second', '--answers', machine()->answers('second', ['ADMINISTRATOR_ADDRESS' => 'somebody@example.org'])]);
        $said = machine()->do(["{$root}/srv/second/current/deploy/restore", kept()['archive'], '--name', 'second']);
        expect($said)->toContain('The index holds what the core says')->toContain('Restored: '.urlOf('second'));
        expect(contents('second'))->toBe(contents('pinned-rota'));
        $file = signedIn('second')->ask('GET', '/api/v1/events/'.kept()['event'].'/attachments/'.kept()['attachment']);
        expect(hash('sha256', (string) $file->getBody()))->toBe(kept()['file']);
        expect(machine()->artisan('second', ['rota:doctor'])->getOutput())->toBe('');
        // Every table that is not of the day, nor laid anew by the upgrade before, as home sheets are.
        $sums = fn (string $database): string => machine()->sql($database, 'CHECKSUM TABLE people, calendars, events, occurrences, event_attachments, operations');
        expect($sums('pinned_rota'))->not->toContain('NULL');
        expect(str_replace('second.', 'pinned_rota.', $sums('second')))->toBe($sums('pinned_rota'));
    });

    test('is taken off the machine, with an archive left', function () {
        $root = machine()->root;
        machine()->do(["{$root}/srv/second/current/deploy/remove", '--name', 'second', '--data', '--yes']);
        expect(is_dir("{$root}/srv/second"))->toBeFalse()->and(is_dir("{$root}/var/lib/second"))->toBeFalse()->and(glob("{$root}/var/backups/second/*.tar.gz"))->not->toBe([]);
        expect(machine()->sql('information_schema', "SELECT COUNT(*) FROM schemata WHERE schema_name = 'second'"))->toBe('0');
        expect(contents('pinned-rota')['calendars'])->toBe(['Keel year']);
    });
})->skip(posix_getuid() !== 0, 'Only root can install.');

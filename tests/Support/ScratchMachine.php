<?php

namespace Tests\Support;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A root of its own in which the commands of deploy/ work as on a machine: its own database, web server and units, on loopback. */
final class ScratchMachine
{
    public readonly string $root;

    private readonly Process $database;

    private readonly Process $mail;

    public readonly int $mailPort;

    private bool $ended = false;

    private readonly string $project;

    public function __construct()
    {
        $this->project = dirname(__DIR__, 2);
        $this->root = trim((string) shell_exec('mktemp -d /tmp/rota-machine-XXXXXX'));
        chmod($this->root, 0755);
        foreach (['etc/nginx/conf.d', 'etc/nginx/sites-enabled', 'etc/php/8.2/fpm/pool.d', 'etc/php/8.2/fpm/conf.d', 'etc/ssl', 'run/php', 'run/mysqld', 'var/log/nginx', 'var/tmp', 'opt'] as $folder) {
            mkdir("{$this->root}/{$folder}", 0755, true);
        }
        // Debian's own nginx.conf, with the folders of this root.
        $this->write('etc/nginx/nginx.conf', strtr((string) file_get_contents('/etc/nginx/nginx.conf'), [
            '/etc/nginx/conf.d' => "{$this->root}/etc/nginx/conf.d", '/etc/nginx/sites-enabled' => "{$this->root}/etc/nginx/sites-enabled",
            '/run/nginx.pid' => "{$this->root}/run/nginx.pid", '/var/log/nginx' => "{$this->root}/var/log/nginx",
        ]));
        $this->write('etc/php/8.2/fpm/php-fpm.conf', "[global]\npid = {$this->root}/run/php-fpm.pid\nerror_log = {$this->root}/var/log/php-fpm.log\ninclude = {$this->root}/etc/php/8.2/fpm/pool.d/*.conf\n");
        $this->do(['openssl', 'req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '90', '-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost', '-keyout', "{$this->root}/etc/ssl/rota.key", '-out', "{$this->root}/etc/ssl/rota.pem"]);
        $this->do(['mariadb-install-db', '--no-defaults', "--datadir={$this->root}/var/mysql", '--user=root', '--auth-root-authentication-method=socket', '--auth-root-socket-user=root', '--skip-test-db']);
        $this->database = new Process(['mariadbd', '--no-defaults', "--datadir={$this->root}/var/mysql", '--user=root', "--socket={$this->root}/run/mysqld/mysqld.sock", '--skip-networking', "--tmpdir={$this->root}/var/tmp", '--innodb-flush-log-at-trx-commit=0', '--character-set-server=utf8mb4'], timeout: null);
        $this->database->start();
        $this->until(fn (): bool => $this->run(['mariadb', "--socket={$this->root}/run/mysqld/mysqld.sock", '-e', 'SELECT 1'])->isSuccessful());
        // Whoever breaks the tests off leaves nothing running.
        pcntl_async_signals(true);
        foreach ([SIGTERM, SIGINT] as $signal) {
            pcntl_signal($signal, static fn () => exit(130));
        }
        register_shutdown_function($this->end(...));
        $this->mailPort = self::freePort();
        $this->mail = new Process(['php', "{$this->project}/standins/mail-server.php", (string) $this->mailPort, "{$this->root}/var/mail"], timeout: null);
        $this->mail->start();
    }

    /** The archive of deploy/pack, unpacked as somebody does who installs it. */
    public function unpack(): string
    {
        $archive = self::lastLine($this->do(["{$this->project}/deploy/pack", "{$this->root}/opt"]));
        $this->do(['tar', '-xzf', $archive, '-C', "{$this->root}/opt"]);

        return "{$this->root}/opt/".basename($archive, '.tar.gz');
    }

    /** @param  array<string, string>  $others  answers besides those that hold for all */
    public function answers(string $name, array $others = []): string
    {
        $answers = $others + [
            'HOST' => 'localhost', 'PORT' => (string) self::freePort(), 'HTTP_PORT' => (string) self::freePort(), 'LISTEN' => '127.0.0.1', 'LIVE_PORT' => (string) self::freePort(),
            'CERTIFICATE' => "{$this->root}/etc/ssl/rota.pem", 'CERTIFICATE_KEY' => "{$this->root}/etc/ssl/rota.key", 'TIMEZONE' => 'Europe/London',
            'ADMINISTRATOR_NAME' => "Ada O'Quill", 'ADMINISTRATOR_ADDRESS' => 'ada@example.org', 'MAIL_HOST' => '127.0.0.1', 'MAIL_PORT' => (string) $this->mailPort, 'MAIL_FROM' => 'rota@example.org',
            'DATABASE_SOCKET' => "{$this->root}/run/mysqld/mysqld.sock", 'SERVICES' => dirname(__DIR__).'/deploy/services',
        ];
        $this->write("etc/{$name}.answers", implode("\n", array_map(static fn (string $key, string $value): string => "{$key}={$value}", array_keys($answers), $answers))."\n");

        return "{$this->root}/etc/{$name}.answers";
    }

    /** @param  list<string>  $command */
    public function run(array $command): Process
    {
        // Without what these tests themselves are set to.
        $process = new Process(['env', '-i', 'PATH='.getenv('PATH'), 'HOME='.getenv('HOME'), "ROTA_PREFIX={$this->root}", ...$command], '/', timeout: 600);
        $process->run();

        return $process;
    }

    /**
     * What a command prints that must go well.
     *
     * @param  list<string>  $command
     */
    public function do(array $command): string
    {
        $process = $this->run($command);
        if (! $process->isSuccessful()) {
            throw new RuntimeException(implode(' ', $command)." ended with {$process->getExitCode()}:\n{$process->getOutput()}{$process->getErrorOutput()}");
        }

        return $process->getOutput();
    }

    /**
     * Artisan of an instance, as its owner.
     *
     * @param  list<string>  $arguments
     */
    public function artisan(string $name, array $arguments): Process
    {
        return $this->run(['runuser', '-u', 'www-data', '--', 'env', "ROTA_HOME={$this->root}/var/lib/{$name}", 'php', "{$this->root}/srv/{$name}/current/artisan", '--no-ansi', ...$arguments]);
    }

    public function sql(string $database, string $statement): string
    {
        return trim($this->do(['mariadb', "--socket={$this->root}/run/mysqld/mysqld.sock", '-N', '-e', $statement, $database]));
    }

    public function services(string ...$arguments): void
    {
        $this->do([dirname(__DIR__).'/deploy/services', ...$arguments]);
    }

    public function browser(string $url): ScratchBrowser
    {
        return new ScratchBrowser(new Client(['base_uri' => $url, 'verify' => "{$this->root}/etc/ssl/rota.pem", 'http_errors' => false, 'allow_redirects' => false]), new CookieJar);
    }

    public function write(string $path, string $text): void
    {
        file_put_contents("{$this->root}/{$path}", $text);
    }

    /** @param  \Closure(): bool  $is */
    public function until(\Closure $is): void
    {
        for ($tries = 0; ! $is(); $tries++) {
            $tries < 300 || throw new RuntimeException('That did not come to be within half a minute.');
            usleep(100_000);
        }
    }

    public function end(): void
    {
        if ($this->ended) {
            return;
        }
        $this->ended = true;
        $this->services('end');
        $this->mail->stop();
        $this->database->stop();
        $this->run(['rm', '-rf', $this->root]);
    }

    public static function lastLine(string $text): string
    {
        return (string) last(explode("\n", trim($text)));
    }

    private static function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $port = (int) parse_url('tcp://'.stream_socket_get_name($server, false), PHP_URL_PORT);
        fclose($server);

        return $port;
    }
}

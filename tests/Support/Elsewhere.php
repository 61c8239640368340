<?php

namespace Tests\Support;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\History\Operation;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;

/** Processes of their own beside the test, on the same database: to be one of many, or to be killed. */
final class Elsewhere
{
    /** @param  list<array{method: string, path: string, body?: mixed, key?: string}>  $asked  one after another; it prints the statuses */
    public static function ask(Person $person, array $asked): InvokedProcess
    {
        return self::start(['tests/Support/ask.php', (string) $person->id], 'sync', json_encode($asked));
    }

    /** Does the next job of the queue, as the worker of the product does it. */
    public static function work(string $queue = 'default'): InvokedProcess
    {
        return self::start(['artisan', 'queue:work', 'database', "--queue={$queue}", '--once', '--tries=1'], 'database');
    }

    /** Sends the letters that are due, to a mail server at a port. */
    public static function sendLetters(int $port): InvokedProcess
    {
        return self::start(['artisan', 'rota:send-letters'], 'sync', env: ['MAIL_MAILER' => 'smtp', 'MAIL_HOST' => '127.0.0.1', 'MAIL_PORT' => (string) $port]);
    }

    /**
     * Waits until something is in the middle of what it does.
     *
     * @param  callable(): int  $written  how much it has written
     */
    public static function middle(InvokedProcess $process, callable $written, int $least, int $all): void
    {
        while ($written() < $least) {
            expect($process->running())->toBeTrue('It ended before it could be broken off: '.$process->output().$process->errorOutput());
            usleep(2_000);
        }
        expect($written())->toBeLessThan($all);
    }

    /** Sees what others have written and not yet kept. */
    public static function watch(): void
    {
        config(['database.connections.watching' => config('database.connections.'.config('database.default'))]);
        DB::connection('watching')->statement('SET SESSION TRANSACTION ISOLATION LEVEL READ UNCOMMITTED');
    }

    /** Takes away what was kept for others to see, since no transaction does. */
    public static function clear(): void
    {
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        DB::purge('watching');
        DB::table('occurrences')->delete();
        Calendar::withTrashed()->forceDelete();
        Operation::query()->delete();
        Person::query()->delete();
        foreach (['background_jobs', 'job_progress', 'changes', 'occurrence_horizons', 'categories', 'idempotency_keys', 'jobs', 'failed_jobs', 'outbox', 'event_invitations', 'cache', 'cache_locks'] as $table) {
            DB::table($table)->delete();
        }
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $env
     */
    private static function start(array $command, string $queue, string $input = '', array $env = []): InvokedProcess
    {
        $env += [
            'APP_ENV' => 'testing', 'APP_CONFIG_CACHE' => 'var/no-cache/config.php', 'APP_ROUTES_CACHE' => 'var/no-cache/routes.php',
            'QUEUE_CONNECTION' => $queue, 'DB_DATABASE' => DB::getDatabaseName(), 'ROTA_HOME' => (string) getenv('ROTA_HOME'),
        ];

        return Process::path(base_path())->env($env)->timeout(300)->input($input)->start([PHP_BINARY, ...$command]);
    }
}

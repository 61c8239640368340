<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Finding;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use PDOException;

/** The database: that it is there, what it is, its clock, and whether it is of this version. */
final class DatabaseCheck implements Check
{
    /** Of MariaDB, with what the index of windows needs. */
    private const LEAST_VERSION = '10.6';

    /** In seconds: sessions and links end by its clock and by PHP's. */
    private const APART = 5;

    public function __construct(private readonly Migrator $migrator)
    {
    }

    public function findings(): iterable
    {
        try {
            $now = DB::selectOne('SELECT VERSION() AS version, UTC_TIMESTAMP() AS clock, @@character_set_database AS charset');
        } catch (PDOException $problem) {
            yield new Finding("The database cannot be reached: {$problem->getMessage()}", 'See that MariaDB runs, and DB_SOCKET, DB_DATABASE, DB_USERNAME and DB_PASSWORD in .env.');

            return;
        }
        if (version_compare((string) preg_replace('/-.*/', '', $now->version), self::LEAST_VERSION, '<')) {
            yield new Finding("The database is {$now->version}.", 'Install MariaDB '.self::LEAST_VERSION.' or newer.');
        }
        if ($now->charset !== 'utf8mb4') {
            yield new Finding("The database keeps text as {$now->charset}: some letters and signs would be lost.", 'ALTER DATABASE … CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci, before anything is in it.');
        }
        $apart = abs(strtotime("{$now->clock} UTC") - time());
        if ($apart > self::APART) {
            yield new Finding("The clock of the database is {$apart} seconds off this machine's.", 'Let both follow one time server, such as by systemd-timesyncd.');
        }
        $files = $this->migrator->getMigrationFiles([database_path('migrations')]);
        $pending = array_diff(array_keys($files), $this->migrator->repositoryExists() ? $this->migrator->getRepository()->getRan() : []);
        if ($pending !== []) {
            yield new Finding(count($pending).' migrations wait: the database is of an earlier version.', 'Take a dump, then php artisan migrate --force.');
        }
    }
}

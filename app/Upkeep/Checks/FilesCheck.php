<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Disk;
use App\Upkeep\Finding;
use Symfony\Component\Finder\Finder;

/** What an instance keeps in files: who owns it, who may read it, and whether there is room. */
final class FilesCheck implements Check
{
    /** @param  ?string  $home  the instance; null: this one */
    public function __construct(private readonly ?string $home = null)
    {
    }

    public function findings(): iterable
    {
        $home = $this->home ?? dirname(storage_path());
        $owner = (int) fileowner($home);
        $name = function_exists('posix_getpwuid') ? (posix_getpwuid($owner)['name'] ?? (string) $owner) : (string) $owner;
        foreach (['storage/app', 'storage/logs', 'storage/framework/views', 'storage/framework/cache', 'cache'] as $folder) {
            if (! is_dir("{$home}/{$folder}")) {
                yield new Finding("{$home}/{$folder} is missing.", "runuser -u {$name} -- mkdir -p {$home}/{$folder}");
            }
        }
        $environment = "{$home}/.env";
        if (is_file($environment) && (fileperms($environment) & 0007) !== 0) {
            yield new Finding("{$environment} may be read by everybody on this machine, and has passwords in it.", "chmod 640 {$environment}");
        }
        $others = [];
        foreach (array_filter(["{$home}/storage", "{$home}/cache"], is_dir(...)) as $folder) {
            foreach ((new Finder)->in($folder)->ignoreDotFiles(false) as $file) {
                if ($file->getOwner() !== $owner) {
                    $others[] = $file->getPathname();
                }
            }
        }
        if ($others !== []) {
            yield new Finding(count($others)." files of the instance belong to somebody else than {$name}, such as {$others[0]}: the site cannot write them.", "chown -R {$name}: {$home}/storage {$home}/cache; run artisan as {$name}: runuser -u {$name} -- php artisan …");
        }
        if (! Disk::hasRoom()) {
            yield new Finding('There is hardly any room left where files are kept.', 'Make room: uploads and the log fail without it.');
        }
    }
}

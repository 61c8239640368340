<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Finding;

/** The .env of the instance and what was cached of it. */
final class ConfigurationCheck implements Check
{
    public function findings(): iterable
    {
        if ((string) config('app.key') === '') {
            yield new Finding('APP_KEY is empty.', 'php artisan key:generate --show prints one; put it into .env, and keep it with the backups.');
        }
        if (config('app.debug') === true) {
            yield new Finding('APP_DEBUG is on: errors show their insides to everybody.', 'Take it out of .env.');
        }
        $url = (string) config('app.url');
        if (parse_url($url, PHP_URL_HOST) === null) {
            yield new Finding("APP_URL is “{$url}”, which is no address.", 'Put the address of the site into .env, such as https://rota.example.org; links in letters begin with it.');
        } elseif (str_starts_with($url, 'https:') && config('session.secure') !== true) {
            yield new Finding('Sessions may go over unencrypted connections.', 'SESSION_SECURE_COOKIE=true in .env.');
        }
        $zone = (string) config('rota.timezone_written');
        if ($zone !== config('rota.timezone')) {
            yield new Finding("ROTA_TIMEZONE is “{$zone}”, and no zone is called that: UTC holds instead.", 'Put an IANA name into .env, such as Europe/London.');
        }
        $cached = app()->getCachedConfigPath();
        $written = app()->environmentFilePath();
        if (is_file($cached) && is_file($written) && filemtime($cached) < filemtime($written)) {
            yield new Finding('.env was changed after it was cached: the change does not hold yet.', 'php artisan config:cache, then restart the workers.');
        }
    }
}

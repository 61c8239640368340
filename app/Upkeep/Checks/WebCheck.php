<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Finding;
use App\Upkeep\WebSettings;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Support\Facades\URL;

/** The site as others meet it: whether it answers, as whom it runs, and what may be sent to it. */
final class WebCheck implements Check
{
    /** In bytes: beside the file, an upload has names and borders. */
    private const BESIDE = 64 * 1024;

    /** In bytes, that one request may need. */
    private const MEMORY = 256 * 1024 * 1024;

    public function __construct(private readonly Factory $http)
    {
    }

    public function findings(): iterable
    {
        $url = rtrim((string) config('app.url'), '/').URL::temporarySignedRoute('upkeep.web', now()->addMinute(), absolute: false);
        try {
            $answer = $this->request()->get($url);
            $is = $answer->successful() ? new WebSettings(...$answer->json()) : null;
        } catch (ConnectionException $problem) {
            yield new Finding('The site does not answer at '.config('app.url').": {$problem->getMessage()}", 'See that nginx and php8.2-fpm run, and that APP_URL in .env is the address of the site.');

            return;
        }
        if ($is === null) {
            yield new Finding('The site answers '.config('app.url')." with {$answer->status()} instead of saying how it is.", 'See the logs of nginx and PHP-FPM; that APP_URL is its address; and that PHP-FPM has the same ROTA_HOME as this command.');

            return;
        }
        yield from $this->ofPhp($is);
        $most = $this->most();
        if ($is->post >= $most && $this->refusesBodyOf($url, $most)) {
            yield new Finding('The web server takes no files as large as an import or a file of an event may be ('.self::megabytes($most).').', 'client_max_body_size 64m; in the site of nginx, which deploy/nginx/application.conf has, and in every proxy before it.');
        }
    }

    /** @return iterable<Finding> */
    private function ofPhp(WebSettings $is): iterable
    {
        $home = dirname(storage_path());
        if (realpath($is->home) !== realpath($home)) {
            yield new Finding("The site serves the instance at {$is->home}, and this is {$home}.", 'env[ROTA_HOME] in the pool of PHP-FPM.');
        }
        $owner = posix_getpwuid((int) fileowner($home))['name'] ?? (string) fileowner($home);
        if ($is->owner !== $owner) {
            yield new Finding("PHP-FPM runs as {$is->owner}, and the instance belongs to {$owner}: the site cannot write.", "user = {$owner} in the pool of PHP-FPM, or chown -R {$is->owner}: {$home}");
        }
        $most = $this->most();
        foreach (['upload_max_filesize' => $is->upload, 'post_max_size' => $is->post] as $setting => $bytes) {
            if ($bytes < $most) {
                yield new Finding("{$setting} of PHP-FPM is ".self::megabytes($bytes).': files of events and imports may have '.self::megabytes($most).'.', 'Put deploy/php.ini into /etc/php/8.2/fpm/conf.d, and restart php8.2-fpm.');
            }
        }
        if ($is->memory !== -1 && $is->memory < self::MEMORY) {
            yield new Finding('memory_limit of PHP-FPM is '.self::megabytes($is->memory).'.', 'Put deploy/php.ini into /etc/php/8.2/fpm/conf.d, and restart php8.2-fpm.');
        }
        if (! $is->compiled) {
            yield new Finding('opcache is off: every page is compiled anew.', 'apt-get install php8.2-opcache; opcache.enable = 1, as in deploy/php.ini.');
        }
        if (str_starts_with((string) config('app.url'), 'https:') && ! $is->secure) {
            yield new Finding('What comes by https counts as unencrypted: a proxy stands before the site that is not known to it.', 'Put its address into ROTA_TRUSTED_PROXIES in .env, and have it send X-Forwarded-Proto and X-Forwarded-For.');
        }
    }

    private function most(): int
    {
        return 1024 * max((int) config('rota.imports.max_kilobytes'), (int) config('rota.attachments.max_kilobytes'));
    }

    /** Whether so much is refused before the application sees it, which takes nothing by this address and says 405. */
    private function refusesBodyOf(string $url, int $bytes): bool
    {
        try {
            return $this->request()->withBody(str_repeat('0', $bytes + self::BESIDE), 'application/octet-stream')->post($url)->status() === 413;
        } catch (ConnectionException) {
            // Whoever refuses may do so before all is sent.
            return true;
        }
    }

    private function request(): PendingRequest
    {
        // A certificate of one's own is no fault here; browsers judge it.
        return $this->http->timeout(20)->withoutVerifying()->withoutRedirecting();
    }

    private static function megabytes(int $bytes): string
    {
        return round($bytes / 1024 / 1024, 1).' MB';
    }
}

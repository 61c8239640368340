<?php

namespace App\Upkeep\Checks;

use App\Letters\Mailing;
use App\Upkeep\Check;
use App\Upkeep\Finding;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;

/** The ways out: mail, open browsers, and other people's servers. */
final class OutsideCheck implements Check
{
    public function __construct(private readonly Factory $http)
    {
    }

    public function findings(): iterable
    {
        if (! Mailing::isSetUp()) {
            yield new Finding('No mail is set up: letters are kept in storage/logs, and administrators hand links over by hand.', 'MAIL_HOST and the like in .env; then rota:doctor --mail=you@example.org sends one.');
        }
        if (str_contains((string) config('mail.from.address'), 'localhost')) {
            yield new Finding('Letters would come from “'.config('mail.from.address').'”, which many servers refuse.', 'MAIL_FROM_ADDRESS in .env.');
        }
        if (config('rota.live.publisher') === null) {
            yield new Finding('Open browsers are not told of changes: they ask every half a minute.', 'libnginx-mod-nchan, deploy/nginx/live.conf, and ROTA_LIVE_PUBLISHER in .env.');
        } elseif (! $this->answers((string) config('rota.live.publisher'))) {
            yield new Finding('The publisher at '.config('rota.live.publisher').' does not answer: open browsers are not told of changes.', 'See that libnginx-mod-nchan is installed, and that the site of nginx includes deploy/nginx/live.conf.');
        }
        foreach ((array) config('rota.sources.trusted') as $trusted) {
            yield new Finding("Sources may be fetched from {$trusted}, also where that is on the own network.", 'Right where it is meant; else take it out of ROTA_TRUSTED_SOURCES in .env.');
        }
    }

    private function answers(string $url): bool
    {
        try {
            // A channel to which nobody listens: told of as gone, or as empty.
            return in_array($this->http->timeout(2)->get("{$url}/publish/doctor")->status(), [200, 404], true);
        } catch (ConnectionException) {
            return false;
        }
    }
}

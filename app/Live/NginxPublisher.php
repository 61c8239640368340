<?php

namespace App\Live;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Cache;
use Psr\Log\LoggerInterface;

/** By the publish/subscribe module of nginx (deploy/nginx/live.conf). */
final class NginxPublisher implements Publisher
{
    /** The module takes 255 in one request. */
    private const AT_ONCE = 200;

    /** In seconds: nginx answers within a millisecond, and whoever changed something waits. */
    private const PATIENCE = 1;

    /** @param  string  $url  of the publisher, without a slash at its end */
    public function __construct(private readonly Factory $http, private readonly LoggerInterface $log, private readonly string $url)
    {
    }

    public function publish(array $channels, string $message): void
    {
        $this->send('POST', $channels, $message);
    }

    public function close(array $channels): void
    {
        $this->send('DELETE', $channels, '');
    }

    /** @param  list<string>  $channels */
    private function send(string $method, array $channels, string $body): void
    {
        foreach (array_chunk($channels, self::AT_ONCE) as $some) {
            try {
                $response = $this->http->connectTimeout(self::PATIENCE)->timeout(self::PATIENCE)->withBody($body, 'application/json')->send($method, "{$this->url}/publish/".implode(',', $some));
                // Of channels to which nobody listens there is nothing to close.
                if ($response->failed() && $response->status() !== 404) {
                    $this->tellOnce("it answered {$response->status()}");
                }
            } catch (ConnectionException $problem) {
                $this->tellOnce($problem->getMessage());
            }
        }
    }

    /** A web server that is away would fill the log with each change. */
    private function tellOnce(string $problem): void
    {
        if (Cache::add('live.told', true, 60)) {
            $this->log->warning('Open browsers are not told of changes, and ask by themselves.', ['publisher' => $this->url, 'problem' => $problem]);
        }
    }
}

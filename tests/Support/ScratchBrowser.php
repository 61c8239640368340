<?php

namespace Tests\Support;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Psr\Http\Message\ResponseInterface;
use RuntimeException;

/** Somebody at a site, with cookies, as the front end asks. */
final class ScratchBrowser
{
    public function __construct(private readonly Client $client, private readonly CookieJar $cookies)
    {
    }

    /** @param  array<string, mixed>  $options */
    public function ask(string $method, string $path, array $options = []): ResponseInterface
    {
        $options['headers'] = ($options['headers'] ?? []) + ['Accept' => 'application/json', 'X-XSRF-TOKEN' => rawurldecode((string) $this->cookies->getCookieByName('XSRF-TOKEN')?->getValue())];

        return $this->client->request($method, $path, $options + ['cookies' => $this->cookies]);
    }

    /**
     * What an answer says that must be a good one.
     *
     * @param  array<string, mixed>  $body
     * @return array<array-key, mixed>
     */
    public function say(string $method, string $path, array $body = []): array
    {
        $answer = $this->ask($method, "/api/v1{$path}", $body === [] ? [] : ['json' => $body]);
        if ($answer->getStatusCode() >= 300) {
            throw new RuntimeException("{$method} {$path}: {$answer->getStatusCode()} {$answer->getBody()}");
        }

        return (array) json_decode((string) $answer->getBody(), true);
    }

    public function signIn(string $email, string $password): void
    {
        $this->say('GET', '/session');
        $this->say('POST', '/session', compact('email', 'password'));
    }
}

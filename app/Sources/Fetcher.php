<?php

namespace App\Sources;

use GuzzleHttp\Client;
use GuzzleHttp\Exception\GuzzleException;
use GuzzleHttp\Psr7\UriResolver;
use GuzzleHttp\Psr7\Utils;
use InvalidArgumentException;
use PinnedRota\Core\Sources\AddressRules;
use PinnedRota\Core\Sources\UnsafeAddress;
use Psr\Http\Message\ResponseInterface;
use Throwable;

/**
 * Fetches what a stranger names, safely: the host is resolved once, judged, and the connection pinned to that address;
 * redirects are judged anew; time and size are limited, after inflation too.
 */
final class Fetcher
{
    public function __construct(private readonly AddressRules $rules)
    {
    }

    /** @throws FetchFailed */
    public function fetch(string $url, ?string $etag = null, ?string $lastModified = null, ?SignIn $signIn = null): FetchedDocument
    {
        $host = self::site($url);
        $headers = array_filter(['If-None-Match' => $etag, 'If-Modified-Since' => $lastModified]) + [
            'Accept' => 'text/calendar, */*;q=0.5',
            'User-Agent' => 'PinnedRota/1.0 (calendar subscription)',
        ];
        for ($hop = 0; $hop <= (int) config('rota.sources.max_redirects'); $hop++) {
            // How one signs in is told to whom it was meant for, and not where that leads to.
            $response = $this->request($url, $headers + ($signIn !== null && self::site($url) === $host ? ['Authorization' => $signIn->header()] : []));
            $status = $response->getStatusCode();
            if (in_array($status, [301, 302, 303, 307, 308], true)) {
                $url = $this->redirected($url, $response->getHeaderLine('Location'));

                continue;
            }
            if ($status === 304) {
                return new FetchedDocument(null, $etag, $lastModified, $url);
            }
            if ($status !== 200) {
                throw new FetchFailed($this->statusWords($status), $status);
            }
            $body = $response->getBody();
            $body->rewind();

            return new FetchedDocument(
                $body->detach(),
                $this->short($response->getHeaderLine('ETag'), 255),
                $this->short($response->getHeaderLine('Last-Modified'), 64),
                $url,
            );
        }
        throw new FetchFailed('The address redirects too often.');
    }

    private static function site(string $url): string
    {
        return mb_strtolower(parse_url($url, PHP_URL_SCHEME).'://'.parse_url($url, PHP_URL_HOST).':'.parse_url($url, PHP_URL_PORT));
    }

    private function redirected(string $url, string $location): string
    {
        try {
            return (string) UriResolver::resolve(Utils::uriFor($url), Utils::uriFor($location));
        } catch (InvalidArgumentException $problem) {
            throw new FetchFailed('The address leads on to one that is none.', previous: $problem);
        }
    }

    /** @param  array<string, string>  $headers */
    private function request(string $url, array $headers): ResponseInterface
    {
        try {
            $address = $this->rules->parse($url);
            $ip = $this->resolve($address['host'], $address['port']);
        } catch (UnsafeAddress $problem) {
            throw new FetchFailed($problem->getMessage(), previous: $problem);
        }
        $most = (int) config('rota.sources.max_bytes');
        $tooLarge = new FetchFailed('The answer is larger than '.intdiv($most, 1024 * 1024).' MB.');
        $limited = new SizeLimitedStream(Utils::streamFor(Utils::tryFopen('php://temp', 'w+')), $most, $tooLarge);
        try {
            return (new Client)->request('GET', $address['url'], [
                'headers' => $headers,
                'http_errors' => false,
                'allow_redirects' => false,
                'timeout' => (int) config('rota.sources.timeout_seconds'),
                'connect_timeout' => 5,
                'decode_content' => true,
                'sink' => $limited,
                'proxy' => '',
                'curl' => [
                    CURLOPT_RESOLVE => ["{$address['host']}:{$address['port']}:".(str_contains($ip, ':') ? "[{$ip}]" : $ip)],
                    CURLOPT_PROTOCOLS => CURLPROTO_HTTP | CURLPROTO_HTTPS,
                ],
            ]);
        } catch (GuzzleException $problem) {
            throw $limited->overflowed ? $tooLarge : new FetchFailed($this->failureWords($problem), previous: $problem);
        }
    }

    /** The address that every connection of this hop goes to. Where one of several is forbidden, the host is not trusted at all. */
    private function resolve(string $host, int $port): string
    {
        $addresses = filter_var($host, FILTER_VALIDATE_IP) !== false ? [$host] : (gethostbynamel($host) ?: []);
        if ($addresses === []) {
            $records = @dns_get_record($host, DNS_AAAA) ?: [];
            $addresses = array_column($records, 'ipv6');
        }
        if ($addresses === []) {
            throw new FetchFailed("No host is called {$host}.");
        }
        foreach ($addresses as $address) {
            if (! $this->rules->allows($host, $port, $address)) {
                throw new UnsafeAddress('This address leads inside a private network and is not fetched.');
            }
        }

        return $addresses[0];
    }

    private function statusWords(int $status): string
    {
        return match (true) {
            $status === 401, $status === 403 => "The far side refuses it ({$status}): it wants to know who asks. Enter how one signs in, or ask for another address.",
            $status === 404, $status === 410 => "The far side has nothing at this address ({$status}).",
            $status >= 500 => "The far side has a fault ({$status}). Try again later.",
            default => "The far side answered {$status} instead of a calendar.",
        };
    }

    private function failureWords(Throwable $problem): string
    {
        return match (true) {
            str_contains($problem->getMessage(), 'cURL error 28') => 'The far side did not answer in time.',
            str_contains($problem->getMessage(), 'cURL error 60'), str_contains($problem->getMessage(), 'cURL error 35') => 'The far side’s certificate is not valid.',
            default => 'The far side could not be reached.',
        };
    }

    private function short(string $header, int $length): ?string
    {
        return $header === '' || strlen($header) > $length ? null : $header;
    }
}

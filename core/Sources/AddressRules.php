<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

/** What address of the outside world may be fetched: http and https, and nothing inside the own network. */
final readonly class AddressRules
{
    /** @param  list<string>  $trusted host:port pairs that may be private, such as the stand-in of the demo */
    public function __construct(private array $trusted = [])
    {
    }

    /**
     * @return array{scheme: string, host: string, port: int, url: string} the parts, and the address as it is to be fetched
     *
     * @throws UnsafeAddress
     */
    public function parse(string $address): array
    {
        $address = preg_replace('#^webcals?://#i', 'https://', trim($address)) ?? '';
        $parts = strlen($address) <= 2000 ? parse_url($address) : false;
        if ($parts === false || ! isset($parts['scheme'], $parts['host']) || preg_match('/[\s\x00-\x1f]/', $address) === 1) {
            throw new UnsafeAddress('Enter a full address, such as https://example.org/calendar.ics.');
        }
        $scheme = strtolower($parts['scheme']);
        if (! in_array($scheme, ['http', 'https'], true)) {
            throw new UnsafeAddress('Only http and https addresses can be fetched.');
        }
        if (isset($parts['user']) || isset($parts['pass'])) {
            throw new UnsafeAddress('An address with a name and password in it cannot be fetched.');
        }

        return [
            'scheme' => $scheme,
            'host' => trim(strtolower($parts['host']), '[]'),
            'port' => $parts['port'] ?? ($scheme === 'https' ? 443 : 80),
            'url' => $address,
        ];
    }

    /** Whether a host that resolved to this IP address may be connected to. */
    public function allows(string $host, int $port, string $ip): bool
    {
        if (in_array("{$host}:{$port}", $this->trusted, true)) {
            return true;
        }
        // An IPv4 address inside an IPv6 one is judged as what it reaches.
        if (preg_match('/^::(?:ffff:)?(\d+\.\d+\.\d+\.\d+)$/i', $ip, $m) === 1) {
            $ip = $m[1];
        }
        if (preg_match('/^(64:ff9b:|2002:|ff)/i', $ip) === 1 || preg_match('/^(22[4-9]|23\d|100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7]))\./', $ip) === 1) {
            return false;
        }

        return filter_var($ip, FILTER_VALIDATE_IP, FILTER_FLAG_GLOBAL_RANGE) !== false;
    }
}

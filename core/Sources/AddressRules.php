<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

/** What address of the outside world may be fetched: http and https, and nothing inside the own network. */
final readonly class AddressRules
{
    private const NONE = 'Enter a full address, such as https://example.org/calendar.ics.';

    /** The first 96 bits of addresses that are an IPv4 address: compatible, mapped, translated (RFC 4291, 2.5.5; RFC 2765). */
    private const WITH_IPV4 = ['000000000000000000000000', '00000000000000000000ffff', '0000000000000000ffff0000'];

    /** What else is none of the world's, or leads on to what is not seen from here (RFC 6890 and what came after it). */
    private const CLOSED = [
        '100.64.0.0/10', '192.0.0.0/24', '192.0.2.0/24', '192.88.99.0/24', '198.18.0.0/15', '198.51.100.0/24', '203.0.113.0/24', '224.0.0.0/4', '240.0.0.0/4',
        '64:ff9b::/96', '64:ff9b:1::/48', '100::/64', '2001::/23', '2001:db8::/32', '2002::/16', '3fff::/20', 'fc00::/7', 'fe80::/10', 'fec0::/10', 'ff00::/8',
    ];

    /** @param  list<string>  $trusted host:port pairs that may be private, such as the stand-in of the demo */
    public function __construct(private array $trusted = [])
    {
    }

    /**
     * @return array{scheme: string, host: string, port: int, url: string, plain: ?string} the parts, the address as it is to be
     *     fetched, and where it does not say how (webcal:), the same without encryption
     *
     * @throws UnsafeAddress
     */
    public function parse(string $address): array
    {
        $saysHow = preg_match('#^webcal://#i', trim($address)) !== 1;
        $address = preg_replace('#^webcals?://#i', 'https://', trim($address)) ?? '';
        if (preg_match('/[\s\x00-\x1f]/', $address) === 1) {
            throw new UnsafeAddress('There is a space in this address.');
        }
        $parts = strlen($address) <= 2000 ? parse_url($address) : false;
        if ($parts === false || ! isset($parts['scheme'], $parts['host'])) {
            throw new UnsafeAddress(self::NONE);
        }
        $scheme = strtolower($parts['scheme']);
        if (! in_array($scheme, ['http', 'https'], true)) {
            throw new UnsafeAddress('Only http and https addresses can be fetched.');
        }
        if (isset($parts['user']) || isset($parts['pass'])) {
            throw new UnsafeAddress('An address with a name and password in it cannot be fetched.');
        }
        $host = $this->host($parts['host']);
        $written = str_contains($host, ':') ? "[{$host}]" : $host;

        // Put together again from what was judged, so that nothing else is dialled.
        $rest = $written.(isset($parts['port']) ? ":{$parts['port']}" : '').($parts['path'] ?? '/').(isset($parts['query']) ? "?{$parts['query']}" : '');

        return [
            'scheme' => $scheme,
            'host' => $host,
            'port' => $parts['port'] ?? ($scheme === 'https' ? 443 : 80),
            'url' => "{$scheme}://{$rest}",
            'plain' => $saysHow ? null : "http://{$rest}",
        ];
    }

    /** A host as it is dialled: letters beyond ASCII are written in it (IDNA, UTS 46). */
    private function host(string $host): string
    {
        if (preg_match('/^\[([0-9a-f:.]+)\]$/i', $host, $m) === 1 && filter_var($m[1], FILTER_VALIDATE_IP, FILTER_FLAG_IPV6) !== false) {
            return strtolower($m[1]);
        }
        if (str_contains($host, '%')) {
            throw new UnsafeAddress('The host in this address is written with escapes. Write it as it is.');
        }
        $ascii = idn_to_ascii(strtolower($host), IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);
        if ($ascii === false || preg_match('/^[a-z0-9_-]+(\.[a-z0-9_-]+)*\.?$/', $ascii) !== 1) {
            throw new UnsafeAddress(self::NONE);
        }

        return $ascii;
    }

    /** Whether a host that resolved to this IP address may be connected to. */
    public function allows(string $host, int $port, string $ip): bool
    {
        if (in_array("{$host}:{$port}", $this->trusted, true)) {
            return true;
        }
        $octets = filter_var($ip, FILTER_VALIDATE_IP) === false ? false : inet_pton($ip);
        if ($octets === false) {
            return false;
        }
        // An IPv4 address inside an IPv6 one is judged as what it reaches, however it is written.
        foreach (self::WITH_IPV4 as $prefix) {
            if (strlen($octets) === 16 && str_starts_with($octets, (string) hex2bin($prefix))) {
                return $this->allows($host, $port, (string) inet_ntop(substr($octets, 12)));
            }
        }
        foreach (self::CLOSED as $range) {
            [$first, $bits] = explode('/', $range);
            if ($this->isWithin($octets, (string) inet_pton($first), (int) $bits)) {
                return false;
            }
        }

        return filter_var($ip, FILTER_VALIDATE_IP, FILTER_FLAG_GLOBAL_RANGE) !== false;
    }

    private function isWithin(string $octets, string $first, int $bits): bool
    {
        if (strlen($octets) !== strlen($first)) {
            return false;
        }
        $whole = intdiv($bits, 8);
        $mask = (0xFF << (8 - $bits % 8)) & 0xFF;

        return strncmp($octets, $first, $whole) === 0 && ($bits % 8 === 0 || (ord($octets[$whole]) & $mask) === (ord($first[$whole]) & $mask));
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** A site that may show a publication in a frame: its origin (RFC 6454), as a Content-Security-Policy names it. */
final readonly class FrameSite
{
    private const HOST = '(?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.)*[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?';

    private const LONGEST_HOST = 253;

    private function __construct(public string $origin)
    {
    }

    /**
     * Of an address as people copy it: “school.example”, “https://www.school.example/pages/term”. What stands behind the host is
     * left out; without a scheme it is https.
     *
     * @throws InvalidSite where there is no host in it that a browser could ask
     */
    public static function of(string $address): self
    {
        if (preg_match('~^(?:(https?)://)?([^/?#:@\s]+)(?::(\d{1,5}))?(?:[/?#]\S*)?$~iuD', trim($address), $m) !== 1) {
            throw new InvalidSite($address);
        }
        $scheme = strtolower($m[1]) ?: 'https';
        $host = idn_to_ascii(mb_strtolower($m[2]), IDNA_NONTRANSITIONAL_TO_ASCII);
        $port = (int) ($m[3] ?? 0);
        if ($host === false || strlen($host) > self::LONGEST_HOST || preg_match('/^'.self::HOST.'$/D', $host) !== 1 || $port > 65_535) {
            throw new InvalidSite($address);
        }
        $isUsual = $port === 0 || $port === ['http' => 80, 'https' => 443][$scheme];

        return new self("{$scheme}://{$host}".($isUsual ? '' : ":{$port}"));
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\SecondFactor;

/** Codes to come in by once each, for whoever has lost their authenticator. */
final class RecoveryCodes
{
    public const COUNT = 10;

    /** Fifty bits of chance, so that a plain digest of one is kept and nobody finds it out from that. */
    private const LETTERS = 10;

    /** @return list<string> new ones, such as `k3v7q-9mz2d`, in lower case and without letters that look like figures */
    public static function generate(): array
    {
        return array_map(static function (): string {
            $text = strtolower(substr(Base32::encode(random_bytes(7)), 0, self::LETTERS));

            return substr($text, 0, 5).'-'.substr($text, 5);
        }, range(1, self::COUNT));
    }

    /** What is kept of a code, however it is typed. */
    public static function digest(string $code): string
    {
        return hash('sha256', strtolower((string) preg_replace('/[^a-z2-7]/i', '', $code)));
    }

    /** Whether this can be one, and no password of an authenticator. */
    public static function looksLikeOne(string $code): bool
    {
        return preg_match('/^[a-z2-7]{5}[\s-]?[a-z2-7]{5}$/i', trim($code)) === 1;
    }
}

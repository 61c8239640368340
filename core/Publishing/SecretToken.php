<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** What makes an address secret: 192 random bits as text, found again by a digest of it, so that none has to be kept to be looked up. */
final class SecretToken
{
    private const BYTES = 24;

    /** For use in an address as it is (RFC 4648, 5). */
    public static function make(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
    }

    /** 64 characters. */
    public static function digest(string $token): string
    {
        return hash('sha256', $token);
    }

    /**
     * Columns of what has one: its digest to look it up by, and itself, which is encrypted for its maker to see again.
     *
     * @return array{token: string, token_hash: string}
     */
    public static function columns(): array
    {
        $token = self::make();

        return ['token' => $token, 'token_hash' => self::digest($token)];
    }
}

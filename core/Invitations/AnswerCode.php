<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

/**
 * What stands for one person asked to one event in the links and addresses of their letters. It is signed, as the sender of a letter can
 * be forged: whoever has it was sent it. It goes into an address as it is (RFC 5322, 3.2.3), in any case.
 */
final class AnswerCode
{
    /** Hexadecimal digits of the signature: 96 bits. */
    private const DIGITS = 24;

    public static function of(int $invitation, string $key): string
    {
        return "{$invitation}-".substr(hash_hmac('sha256', "invitation {$invitation}", $key), 0, self::DIGITS);
    }

    /** @return ?int the invitation; null where nobody here signed it */
    public static function read(string $code, string $key): ?int
    {
        if (preg_match('/^([1-9]\d{0,17})-[0-9a-f]{'.self::DIGITS.'}$/D', strtolower($code), $found) !== 1) {
            return null;
        }

        return hash_equals(self::of((int) $found[1], $key), strtolower($code)) ? (int) $found[1] : null;
    }

    /** The address to which answers go: the code stands in that of the site, behind a plus. */
    public static function address(string $site, string $code): string
    {
        [$local, $domain] = explode('@', $site, 2) + [1 => 'localhost'];

        return "{$local}+{$code}@{$domain}";
    }

    /** @return string the code in an address; empty where there is none */
    public static function inAddress(string $address): string
    {
        return preg_match('/\+([^@+]+)@/', $address, $found) === 1 ? $found[1] : '';
    }
}

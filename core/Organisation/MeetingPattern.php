<?php

declare(strict_types=1);

namespace PinnedRota\Core\Organisation;

/** By what links of meetings are made: an address with {code} in it, or that of a service which answers with one. */
final class MeetingPattern
{
    public const CODE = '{code}';

    private const LONGEST = 500;

    public static function isValid(string $pattern): bool
    {
        return preg_match('#^https?://[^\s/?\#]+([/?\#]\S*)?$#Di', str_replace(self::CODE, 'code', $pattern)) === 1 && strlen($pattern) <= self::LONGEST;
    }

    public static function isService(string $pattern): bool
    {
        return ! str_contains($pattern, self::CODE);
    }

    public static function filled(string $pattern, string $code): string
    {
        return str_replace(self::CODE, $code, $pattern);
    }
}

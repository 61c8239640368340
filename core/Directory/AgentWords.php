<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** What a browser calls itself (User-Agent; RFC 9110, 10.1.5), said shortly: by its name and what it runs on. */
final class AgentWords
{
    /** In this order: most say of themselves that they are others, too. */
    private const BROWSERS = ['Firefox' => 'Firefox/|FxiOS/', 'Edge' => 'Edg[A-Z]*/', 'Opera' => 'OPR/', 'Chrome' => 'Chrome/|CriOS/', 'Safari' => 'Safari/'];

    private const SYSTEMS = ['iPhone' => 'iPhone', 'iPad' => 'iPad', 'Android' => 'Android', 'Windows' => 'Windows', 'macOS' => 'Mac OS X|Macintosh', 'ChromeOS' => 'CrOS', 'Linux' => 'Linux'];

    private const LONGEST = 60;

    /** @return string empty where it says nothing; the beginning of what it says where that is none of these */
    public static function of(string $agent): string
    {
        $browser = self::first(self::BROWSERS, $agent);
        $system = self::first(self::SYSTEMS, $agent);

        return match (true) {
            $browser !== null => $system === null ? $browser : "{$browser} on {$system}",
            $system !== null => "a program on {$system}",
            default => mb_strimwidth(trim(mb_scrub($agent)), 0, self::LONGEST, '…'),
        };
    }

    /** @param  array<string, string>  $patterns  by name */
    private static function first(array $patterns, string $agent): ?string
    {
        foreach ($patterns as $name => $pattern) {
            if (preg_match("~{$pattern}~", $agent) === 1) {
                return $name;
            }
        }

        return null;
    }
}

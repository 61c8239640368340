<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** The people whom a cell names: “I. Halloran, Rashid & kay@example.org”. */
final class PeopleNamed
{
    /** @return list<string> names and mail addresses, as they stand there */
    public static function in(string $cell): array
    {
        $names = preg_split('/\s*(?:[,;\/&+\n]|\band\b|\bwith\b)\s*/iu', $cell) ?: [];

        return array_values(array_filter(array_map(static fn (string $name): string => trim($name, " \t.()"), $names), static fn (string $name): bool => $name !== '' && preg_match('/^(?:tbc|tba|n\/?a|none|nobody|all|everyone|[-–—?]+|\d+)$/iu', $name) !== 1));
    }

    public static function isAddress(string $name): bool
    {
        return preg_match('/^[^@\s]+@[^@\s]+\.[^@\s]+$/', $name) === 1 && strlen($name) <= 200;
    }

    /** @return list<string> how somebody is called for short: by the first name, by the last, by an initial and the last */
    public static function shorter(string $name): array
    {
        $words = preg_split('/\s+/u', trim($name)) ?: [];
        if (count($words) < 2) {
            return [];
        }
        [$first, $last] = [$words[0], $words[count($words) - 1]];
        $initial = mb_substr($first, 0, 1);

        return [$first, $last, "{$initial} {$last}", "{$initial}. {$last}", "{$last}, {$first}"];
    }
}

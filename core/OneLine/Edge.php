<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Patterns that begin and end where a word or a number does. */
final class Edge
{
    /** Of what has figures: “1/9” is not in “21/9/3”, and “v2.10” has no time. */
    public static function around(string $pattern): string
    {
        return '/(?<![\p{L}\p{N}.:\/-])(?:'.$pattern.')(?![\p{L}\p{N}]|[:\/]\d)/ui';
    }
}

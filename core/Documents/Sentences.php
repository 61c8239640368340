<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** Takes a line of text apart: what is said in it one after another. */
final class Sentences
{
    /** @return list<string> */
    public static function of(string $line): array
    {
        $line = (string) preg_replace('/^(?:[•·*▪◦–—-]\s+|\d{1,2}[.)]\s+(?=\p{L}))/u', '', $line);

        // “9.30”, “Oct. 4” and “St. Olaf” end none.
        return array_values(array_filter(array_map(trim(...), preg_split('/(?<=[\p{L}\p{N})’\'][\p{L}\p{N})’\']{2}[.!?])\s+(?=\p{Lu})|(?<=[AaPp][Mm][.!?]|\s\d[.!?])\s+(?=\p{Lu})/u', $line) ?: []), static fn (string $each): bool => $each !== ''));
    }
}

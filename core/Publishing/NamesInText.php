<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** Finds people who are named in titles and places, so that somebody can be warned before those go out. */
final readonly class NamesInText
{
    /** Shorter family names are words of many a title. */
    private const SHORTEST = 4;

    /** @var array<string, list<string>> full names, by the family name in lower case */
    private array $byFamily;

    /** @param  iterable<string>  $names  as people are called, the family name last */
    public function __construct(iterable $names)
    {
        $byFamily = [];
        foreach ($names as $name) {
            $words = self::words($name);
            if (count($words) > 1 && mb_strlen($words[count($words) - 1]) >= self::SHORTEST) {
                $byFamily[mb_strtolower($words[count($words) - 1])][] = trim($name);
            }
        }
        $this->byFamily = $byFamily;
    }

    /**
     * Whoever is meant by it: those with their full name in it, else all with the family name, written as a name is.
     *
     * @return list<string> full names
     */
    public function in(string $text): array
    {
        $meant = [];
        foreach (self::words($text) as $word) {
            $family = $this->byFamily[mb_strtolower($word)] ?? [];
            if ($family !== [] && mb_strtoupper(mb_substr($word, 0, 1)) === mb_substr($word, 0, 1)) {
                $whole = array_filter($family, static fn (string $name): bool => mb_stripos($text, $name) !== false);
                array_push($meant, ...($whole === [] ? $family : $whole));
            }
        }

        return array_values(array_unique($meant));
    }

    /** @return list<string> */
    private static function words(string $text): array
    {
        // A genitive belongs to the name: “Feldkamp’s room”.
        return preg_split('/[^\p{L}\p{M}-]+/u', (string) preg_replace('/[’\']s\b/u', '', $text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }
}

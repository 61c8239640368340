<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Names of one kind, as they may stand in a line, and what was meant by one that is nearly there. */
final readonly class Names
{
    /** @var array<string, int|string> what stands behind each, by its plain form */
    private array $keys;

    /** @param  array<array-key, string>  $names  by id or slug */
    public function __construct(private array $names)
    {
        $keys = [];
        foreach ($names as $key => $name) {
            $keys[self::plain($name)] ??= $key;
        }
        $this->keys = $keys;
    }

    /**
     * People by their full names, and by their first names where those are one’s alone.
     *
     * @param  array<int, string>  $people  by id
     */
    public static function ofPeople(array $people): self
    {
        return new self($people + self::firstNames($people, true));
    }

    /**
     * First names, in keys of their own so that they can stand beside full ones.
     *
     * @param  array<int, string>  $people
     * @return array<string, string> by “first” and the id
     */
    private static function firstNames(array $people, bool $alone): array
    {
        $first = array_map(static fn (string $name): string => self::first($name), array_filter($people, static fn (string $name): bool => str_contains(trim($name), ' ')));
        $times = array_count_values(array_map(self::plain(...), $first));
        $kept = array_filter($first, static fn (string $name): bool => ($times[self::plain($name)] === 1) === $alone);

        return array_combine(array_map(static fn (int $id): string => "first {$id}", array_keys($kept)), array_values($kept));
    }

    /**
     * The full names of those who share a first name.
     *
     * @param  array<int, string>  $people
     * @return array<string, list<string>> in order, by plain first name
     */
    public static function shared(array $people): array
    {
        $shared = [];
        foreach (array_unique(array_map(self::plain(...), self::firstNames($people, false))) as $first) {
            $shared[$first] = array_values(array_filter($people, static fn (string $name): bool => self::plain(self::first($name)) === $first));
            sort($shared[$first]);
        }

        return $shared;
    }

    /** Any of them as a part of a pattern, the longest first. */
    public function pattern(): string
    {
        $names = array_filter($this->names, static fn (string $name): bool => $name !== '');
        usort($names, static fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));

        return $names === [] ? '(*FAIL)' : '(?:'.implode('|', array_map(static fn (string $name): string => str_replace('\ ', '\s', preg_quote($name, '/')), $names)).')';
    }

    /** The id or slug of a name; null where nothing is called so. */
    public function keyOf(string $name): int|string|null
    {
        return $this->keys[self::plain($name)] ?? null;
    }

    /** The id behind a name: a first name’s person’s. */
    public function idOf(string $name): int
    {
        return (int) preg_replace('/^first /', '', (string) ($this->keyOf($name) ?? '0'));
    }

    /** A name as it is known; as it is where it is not. */
    public function asKnown(string $name): string
    {
        $key = $this->keyOf($name);

        return $key === null ? $name : $this->names[$key];
    }

    /** The name that is nearly this one: a letter or two apart, in other places than figures; null where none is. */
    public function near(string $name): ?string
    {
        $sought = self::plain($name);
        $best = null;
        $least = mb_strlen($sought) <= 4 ? 1 : max(2, intdiv(mb_strlen($sought), 4));
        foreach (array_keys($this->keys) as $known) {
            $known = (string) $known;
            if ($sought === $known || preg_replace('/\D/', '', $sought) !== preg_replace('/\D/', '', $known) || abs(strlen($known) - strlen($sought)) > $least || strlen($sought) > 255 || strlen($known) > 255) {
                continue;
            }
            $distance = levenshtein($sought, $known);
            if ($distance <= $least) {
                [$best, $least] = [$known, $distance - 1];
            }
        }

        return $best === null ? null : $this->names[$this->keys[$best]];
    }

    private static function first(string $name): string
    {
        return (string) preg_replace('/\s.*$/us', '', trim($name));
    }

    private static function plain(string $name): string
    {
        return mb_strtolower((string) preg_replace('/\s+/u', ' ', trim($name)));
    }
}

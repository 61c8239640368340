<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/**
 * A line that is being read: what was understood is taken out of it, piece by piece, and what is left is the title. What
 * looks like something and was not understood stays in the title, and is marked.
 */
final class Line
{
    /** Stands where something was taken, so that what stood on either side is not read together. */
    private const TAKEN = "\x01";

    /** Stands where something stays in the title, whatever it looks like. */
    private const KEPT = "\x02";

    private string $left;

    /** @var list<array{int, Piece}> with the byte where each begins */
    private array $pieces = [];

    /** @var list<array{int, Doubt}> with the byte where each begins */
    private array $doubts = [];

    /** @param  list<string>  $plain  pieces that are to be left in the title, as they were typed */
    public function __construct(private readonly string $line, private readonly array $plain = [])
    {
        // What stands in quotes is meant word for word, and so are addresses.
        $this->left = (string) preg_replace_callback('/"[^"]*"|\w+:\/\/\S+|[^\s@]+@[^\s@]+\.\S+/u', static fn (array $found): string => str_repeat(self::KEPT, strlen($found[0])), $line);
    }

    /**
     * Takes what a pattern finds, where the reader of it makes something of it: the likeliest first, else from left to right.
     *
     * @param  string  $pattern  its parts by name; the whole match is the piece
     * @param  callable(array<string, string>): bool  $read  whether it was understood
     * @param  int  $most  so many at most
     * @param  ?callable(string, string): int  $likely  how likely a match is meant, by itself and by what follows it
     */
    public function take(PieceKind $kind, string $pattern, callable $read, int $most = PHP_INT_MAX, ?callable $likely = null): void
    {
        $matches = $this->matches($pattern);
        if ($likely !== null) {
            $weight = fn (int $at, string $text): int => $likely($text, substr($this->left, $at + strlen($text)));
            usort($matches, static fn (array $a, array $b): int => $weight($b[0], $b[1]) <=> $weight($a[0], $a[1]));
        }
        foreach ($matches as [$at, $text, $parts]) {
            if ($most > 0 && $read($parts)) {
                $this->replace($at, $text, self::TAKEN);
                $this->pieces[] = [$at, new Piece($kind, $this->position($at), $text)];
                $most--;
            }
        }
    }

    /**
     * Marks what a pattern finds and nothing has understood. It stays in the title.
     *
     * @param  callable(array<string, string>): ?array{DoubtReason, list<string>}  $judge  why, and what may have been meant; null where it is none
     */
    public function doubt(PieceKind $kind, string $pattern, callable $judge): void
    {
        foreach ($this->matches($pattern) as [$at, $text, $parts]) {
            $why = $judge($parts);
            if ($why !== null) {
                $this->replace($at, $text, self::KEPT);
                $this->doubts[] = [$at, new Doubt($kind, $this->position($at), $text, ...$why)];
            }
        }
    }

    /**
     * Marks a piece that was taken, and may have been meant otherwise.
     *
     * @param  list<string>  $offers
     */
    public function doubtPiece(string $text, DoubtReason $reason, array $offers): void
    {
        foreach ($this->pieces as [$at, $piece]) {
            if ($piece->text === $text) {
                $this->doubts[] = [$at, new Doubt($piece->kind, $piece->at, $text, $reason, $offers)];

                return;
            }
        }
    }

    /**
     * Keeps what a pattern finds in the title, whatever its words look like.
     *
     * @return list<array{int, string}> the byte where each begins, and its text
     */
    public function setAside(string $pattern): array
    {
        $aside = [];
        foreach ($this->matches($pattern) as [$at, $text]) {
            $this->replace($at, $text, self::KEPT);
            $aside[] = [$at, $text];
        }

        return $aside;
    }

    /**
     * Marks what was set aside.
     *
     * @param  array{int, string}  $aside
     * @param  list<string>  $offers
     */
    public function doubtAside(PieceKind $kind, array $aside, DoubtReason $reason, array $offers = []): void
    {
        $this->doubts[] = [$aside[0], new Doubt($kind, $this->position($aside[0]), $aside[1], $reason, $offers)];
    }

    /** What was not understood, without the small words and marks that led to what was. */
    public function title(): string
    {
        $title = '';
        foreach (str_split($this->left) as $index => $byte) {
            $title .= $byte === self::KEPT ? $this->line[$index] : $byte;
        }
        $joint = '(?:\b(?:at|on|in|from|for|with|by|the|and|to|until)\b|[,;:@–-])';
        // Only those that stand at something that was taken: “at 9” leaves no “at”.
        do {
            $before = $title;
            $title = (string) preg_replace("/(?:^|(?<=\\s)){$joint}\\s*(?=\x01)/ui", '', $title);
            $title = (string) preg_replace("/(?<=\x01)\\s*[,;:]/u", '', $title);
        } while ($title !== $before);

        return trim((string) preg_replace('/\s+/u', ' ', str_replace([self::TAKEN, '"'], [' ', ''], $title)), " \t,;");
    }

    /** @return list<Piece> in the order of the line */
    public function pieces(): array
    {
        return self::inOrder($this->pieces);
    }

    /** @return list<Doubt> in the order of the line */
    public function doubts(): array
    {
        return self::inOrder($this->doubts);
    }

    /** Whether something that was not understood says when. */
    public function blocked(): bool
    {
        return array_filter($this->doubts, static fn (array $each): bool => $each[1]->reason->blocks()) !== [];
    }

    /** @return list<array{int, string, array<string, string>}> the byte where each begins, its text without spaces around, and its named parts */
    private function matches(string $pattern): array
    {
        preg_match_all($pattern, $this->left, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE | PREG_UNMATCHED_AS_NULL);
        $matches = [];
        foreach ($found as $match) {
            $text = (string) $match[0][0];
            $trimmed = trim($text);
            if ($trimmed !== '' && ! in_array($trimmed, $this->plain, true)) {
                $parts = array_map(static fn (array $part): string => (string) $part[0], array_filter($match, is_string(...), ARRAY_FILTER_USE_KEY));
                $matches[] = [(int) $match[0][1] + strlen($text) - strlen(ltrim($text)), $trimmed, $parts + ['' => $trimmed]];
            }
        }

        return $matches;
    }

    private function replace(int $at, string $text, string $by): void
    {
        $this->left = substr_replace($this->left, str_repeat($by, strlen($text)), $at, strlen($text));
    }

    private function position(int $at): int
    {
        return mb_strlen(substr($this->line, 0, $at));
    }

    /**
     * @template T
     *
     * @param  list<array{int, T}>  $found
     * @return list<T>
     */
    private static function inOrder(array $found): array
    {
        usort($found, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($found, 1);
    }
}

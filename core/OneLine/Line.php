<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** A line that is being read: what was understood is taken out of it, piece by piece, and what is left is the title. */
final class Line
{
    /** Stands where something was taken, so that what stood on either side is not read together. */
    private const TAKEN = "\x01";

    private string $left;

    /** @var list<array{int, Piece}> with the byte where each begins */
    private array $pieces = [];

    /** @param  list<string>  $plain  pieces that are to be left in the title, as they were typed */
    public function __construct(private readonly string $line, private readonly array $plain = [])
    {
        $this->left = $line;
        // What stands in quotes is meant word for word, and so are addresses.
        $this->left = (string) preg_replace_callback('/"[^"]*"|\w+:\/\/\S+|[^\s@]+@[^\s@]+\.\S+/u', static fn (array $found): string => str_repeat("\x02", strlen($found[0])), $line);
    }

    /**
     * Takes what a pattern finds, where the reader of it makes something of it, from left to right.
     *
     * @param  string  $pattern  its parts by name; the whole match is the piece
     * @param  callable(array<string, string>): bool  $read  whether it was understood
     * @param  int  $most  so many at most
     */
    public function take(PieceKind $kind, string $pattern, callable $read, int $most = PHP_INT_MAX): void
    {
        $from = 0;
        while ($most > 0 && preg_match($pattern, $this->left, $found, PREG_OFFSET_CAPTURE | PREG_UNMATCHED_AS_NULL, $from) === 1) {
            [$text, $at] = $found[0];
            $from = $at + max(1, strlen((string) $text));
            $parts = array_map(static fn (array $part): string => (string) $part[0], array_filter($found, is_string(...), ARRAY_FILTER_USE_KEY));
            $trimmed = trim((string) $text);
            if ($trimmed === '' || in_array($trimmed, $this->plain, true) || ! $read($parts + ['' => $trimmed])) {
                continue;
            }
            $at += strlen((string) $text) - strlen(ltrim((string) $text));
            $this->left = substr_replace($this->left, str_repeat(self::TAKEN, strlen($trimmed)), $at, strlen($trimmed));
            $this->pieces[] = [$at, new Piece($kind, mb_strlen(substr($this->line, 0, $at)), $trimmed)];
            $most--;
        }
    }

    /** What was not understood, without the small words and marks that led to what was. */
    public function title(): string
    {
        $title = '';
        foreach (str_split($this->left) as $index => $byte) {
            $title .= $byte === "\x02" ? $this->line[$index] : $byte;
        }
        $joint = '(?:\b(?:at|on|in|from|for|with|by|the|and|to|until)\b|[,;:–-])';
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
        usort($this->pieces, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($this->pieces, 1);
    }
}

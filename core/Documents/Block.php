<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** A part of a document: a heading, a line of text, or a table. */
final readonly class Block
{
    /**
     * @param  int  $line  where it begins, from 1; of a table its first row
     * @param  list<list<string>>  $rows  of a table: what spans several is in each of them
     */
    private function __construct(public BlockKind $kind, public int $line, public string $text, public array $rows)
    {
    }

    public static function heading(int $line, string $text): self
    {
        return new self(BlockKind::Heading, $line, self::plain($text), []);
    }

    public static function text(int $line, string $text): self
    {
        return new self(BlockKind::Text, $line, self::plain($text), []);
    }

    /** @param  list<list<string>>  $rows */
    public static function table(int $line, array $rows): self
    {
        return new self(BlockKind::Table, $line, '', array_map(static fn (array $row): array => array_map(self::plain(...), $row), $rows));
    }

    /** One space between words, whatever kind of space it was. */
    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/[\s\x{a0}\x{2000}-\x{200b}\x{202f}]+/u', ' ', $text));
    }
}

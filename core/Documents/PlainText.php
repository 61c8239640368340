<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** Reads a text as it is typed or pasted: line by line, with the tables in it whose cells are parted by tabs or bars. */
final class PlainText
{
    /** @return list<Block> */
    public static function blocks(string $text): array
    {
        $blocks = $rows = [];
        $begins = 0;
        $lines = preg_split('/\R/u', $text) ?: [];
        foreach ([...$lines, ''] as $index => $line) {
            $cells = self::cells($line);
            if ($cells !== null) {
                $begins = $rows === [] ? $index + 1 : $begins;
                // The line beneath the head of a table says nothing.
                if (preg_match('/^[\s|:+-]+$/', $line) !== 1) {
                    $rows[] = $cells;
                }

                continue;
            }
            if ($rows !== []) {
                // A single line with a tab in it is no table.
                $blocks[] = count($rows) > 1 ? Block::table($begins, $rows) : Block::text($begins, implode('  ', $rows[0]));
                $rows = [];
            }
            if (trim($line) !== '') {
                // What is far apart is of two columns.
                $blocks[] = Block::text($index + 1, (string) preg_replace('/(?<=\S)(?: {2,}|\t+)(?=\S)/u', ' | ', trim($line)));
            }
        }

        return $blocks;
    }

    /** @return ?list<string> null where the line is none of a table */
    private static function cells(string $line): ?array
    {
        if (substr_count($line, '|') > 1) {
            return array_map(trim(...), explode('|', trim(trim($line), '|')));
        }

        return str_contains($line, "\t") ? array_map(trim(...), explode("\t", $line)) : null;
    }
}

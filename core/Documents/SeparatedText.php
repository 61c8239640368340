<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** Reads a table whose cells are parted by a sign: a comma, a semicolon, a tab or a bar (RFC 4180). In whatever encoding it is. */
final class SeparatedText
{
    private const SIGNS = [',', ';', "\t", '|'];

    /** @return list<list<string>> */
    public static function rows(string $text): array
    {
        $text = self::decoded($text);
        $stream = fopen('php://temp', 'w+b');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);
        $sign = self::sign($text);
        $rows = [];
        while (($row = fgetcsv($stream, null, $sign, '"', '')) !== false) {
            $rows[] = array_map(static fn (?string $cell): string => (string) $cell, $row);
        }
        fclose($stream);

        return $rows;
    }

    /** Whether a text is one: most of its first lines have the same sign in them as often. Bars are drawn in texts, too. */
    public static function is(string $text): bool
    {
        $lines = self::lines($text, 40);
        foreach (array_diff(self::SIGNS, ['|']) as $sign) {
            $counts = self::counts($lines, $sign);
            if (count($lines) > 1 && $counts !== [] && max($counts) * 5 >= count($lines) * 4) {
                return true;
            }
        }

        return false;
    }

    /** The sign that parts most lines into as many cells. */
    private static function sign(string $text): string
    {
        $lines = self::lines($text, 50);
        $best = [0, ','];
        foreach (self::SIGNS as $sign) {
            $counts = self::counts($lines, $sign);
            if ($counts !== []) {
                arsort($counts);
                $best = max($best, [reset($counts) * (1 + array_key_first($counts)), $sign]);
            }
        }

        return $best[1];
    }

    /** @return list<string> the first that say something, without what stands in quotes */
    private static function lines(string $text, int $most): array
    {
        return array_slice(array_values(array_filter(preg_split('/\R/', (string) preg_replace('/"[^"]*"/', '', $text)) ?: [], static fn (string $line): bool => trim($line) !== '')), 0, $most);
    }

    /**
     * @param  list<string>  $lines
     * @return array<int, int> how many lines have a sign in them so often
     */
    private static function counts(array $lines, string $sign): array
    {
        return array_count_values(array_filter(array_map(static fn (string $line): int => substr_count($line, $sign), $lines)));
    }

    /** As UTF-8: what is none is of the encoding that its mark says, else of the commonest of old spreadsheets. */
    private static function decoded(string $text): string
    {
        if (str_starts_with($text, "\xff\xfe")) {
            return (string) mb_convert_encoding(substr($text, 2), 'UTF-8', 'UTF-16LE');
        }
        if (str_starts_with($text, "\xfe\xff")) {
            return (string) mb_convert_encoding(substr($text, 2), 'UTF-8', 'UTF-16BE');
        }
        if (str_starts_with($text, "\xef\xbb\xbf")) {
            return substr($text, 3);
        }

        return mb_check_encoding($text, 'UTF-8') ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Spreadsheet;

/**
 * Rows as comma-separated text (RFC 4180) that a spreadsheet opens as it is meant: with a byte order mark, so that it is read as UTF-8,
 * and with no cell that it would take for a formula.
 */
final class CsvText
{
    private const BYTE_ORDER_MARK = "\u{FEFF}";

    /** What begins like this is worked out by spreadsheets instead of shown. */
    private const FORMULA = '/^[=+\-@\t\r]/';

    /** @param  iterable<list<string>>  $rows  the first with the names of the columns */
    public static function of(iterable $rows): string
    {
        $text = self::BYTE_ORDER_MARK;
        foreach ($rows as $row) {
            $text .= implode(',', array_map(self::cell(...), $row))."\r\n";
        }

        return $text;
    }

    private static function cell(string $value): string
    {
        $shown = preg_match(self::FORMULA, $value) === 1 ? "'{$value}" : $value;

        return strpbrk($shown, ",;\"\r\n\t'") === false && trim($shown) === $shown ? $shown : '"'.str_replace('"', '""', $shown).'"';
    }
}

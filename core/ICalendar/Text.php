<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** The TEXT value type (RFC 5545, 3.3.11). */
final class Text
{
    private const ESCAPES = ['\\n' => "\n", '\\N' => "\n", '\\\\' => '\\', '\\;' => ';', '\\,' => ',', '\\:' => ':', '\\"' => '"'];

    public static function unescape(string $value): string
    {
        return str_contains($value, '\\') ? strtr($value, self::ESCAPES) : $value;
    }

    public static function escape(string $text): string
    {
        $text = str_replace(["\r\n", "\r"], "\n", $text);
        // Control characters other than line feed and tab may not stand in a value.
        $text = preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', '', $text) ?? '';

        return str_replace(['\\', ';', ',', "\n"], ['\\\\', '\\;', '\\,', '\\n'], $text);
    }

    /**
     * The members of a list of TEXT, parted by commas that are not escaped.
     *
     * @return list<string>
     */
    public static function members(string $value): array
    {
        $members = ! str_contains($value, '\\') ? explode(',', $value) : (preg_split('/(?<!\\\\)(?:\\\\\\\\)*\K,/', $value) ?: []);

        return array_values(array_filter(array_map(static fn (string $member): string => trim(self::unescape($member)), $members), static fn (string $member): bool => $member !== ''));
    }
}

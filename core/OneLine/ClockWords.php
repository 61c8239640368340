<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Times of day as people type them, in 12 and 24 hours: “9:30”, “9.30”, “9am”, “noon”, “9–11”. */
final class ClockWords
{
    /** A time of day, as a part of a pattern. */
    public const TIME = '(?:(?:[01]?\d|2[0-4])(?:[:.][0-5]\d)?\s?(?:am|pm|a\.m\.|p\.m\.)|(?:[01]?\d|2[0-4])(?:[:.][0-5]\d)?(?:\s?h(?![\p{L}\d]))?|noon|midday|midnight)';

    private const HALF = 12 * 60;

    /**
     * Minutes from midnight; 1,440 for the end of the day. Where neither am nor pm is said nor a nought in front, an hour
     * before seven is meant in the afternoon.
     */
    public static function read(string $text): ?int
    {
        $parts = self::parts($text);
        if ($parts === null) {
            return null;
        }
        [$minutes, $half, $exact] = $parts;

        return match (true) {
            $half !== null => $minutes % self::HALF + ($half === 'p' ? self::HALF : 0),
            ! $exact && $minutes >= 60 && $minutes < 7 * 60 => $minutes + self::HALF,
            default => $minutes,
        };
    }

    /**
     * Start and end of a span, in minutes from midnight: the end is after the start, on the day after where it must be.
     *
     * @return ?array{int, int}
     */
    public static function span(string $from, string $to): ?array
    {
        $start = self::parts($from);
        $end = self::parts($to);
        if ($start === null || $end === null) {
            return null;
        }
        $last = self::read($to) ?? 0;
        $first = self::read($from) ?? 0;
        if ($start[1] === null && $end[1] !== null && ! $start[2]) {
            // “9–11am”, “11–1pm”: the half of the day that is said for the end holds for the start where it can.
            $same = $start[0] % self::HALF + ($end[1] === 'p' ? self::HALF : 0);
            $first = $same < $last ? $same : ($same + self::HALF) % 1440;
        } elseif ($end[1] === null && ! $end[2]) {
            // “9–1”, “21:30–2”: the next time that a clock shows this.
            $last = $end[0];
            while ($last <= $first) {
                $last += $end[0] < 13 * 60 ? self::HALF : 1440;
            }
        }

        return [$first, $last > $first ? $last : $last + 1440];
    }

    /**
     * Minutes of a length: “2h”, “1.5 hours”, “90 min”, “1h30”.
     */
    public static function length(string $text): ?int
    {
        if (preg_match('/^(\d{1,2})\s?h(?:rs?|ours?)?\s?([0-5]?\d)(?:\s?m(?:in(?:ute)?s?)?)?$/ui', $text, $found) === 1) {
            return (int) $found[1] * 60 + (int) $found[2];
        }
        if (preg_match('/^(\d{1,3})(?:[.,](\d))?\s?(h(?:rs?|ours?)?|m(?:in(?:ute)?s?)?)$/ui', $text, $found) !== 1) {
            return null;
        }
        $tenths = (int) $found[1] * 10 + (int) $found[2];

        return $tenths === 0 ? null : intdiv($tenths * (mb_strtolower($found[3][0]) === 'h' ? 60 : 1), 10);
    }

    /** @return ?array{int, ?string, bool} minutes, “a” or “p” where it was said, and whether the hour is meant as it stands */
    private static function parts(string $text): ?array
    {
        $text = mb_strtolower(trim($text));
        if ($text === 'noon' || $text === 'midday') {
            return [self::HALF, null, true];
        }
        if ($text === 'midnight') {
            return [1440, null, true];
        }
        if (preg_match('/^(\d{1,2})(?:[:.](\d\d))?\s?(h|[ap])?\.?m?\.?$/u', $text, $found) !== 1) {
            return null;
        }
        $hour = (int) $found[1];
        $half = in_array($found[3] ?? '', ['a', 'p'], true) ? $found[3] : null;
        $minutes = $hour * 60 + (int) ($found[2] ?? 0);
        if ($minutes > 1440 || ($half !== null && ($hour < 1 || $hour > 12))) {
            return null;
        }

        return [$minutes, $half, $half !== null || $found[1][0] === '0' || $hour > 12 || ($found[3] ?? '') === 'h'];
    }
}

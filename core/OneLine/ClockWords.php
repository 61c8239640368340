<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\NumberWords;

/** Times of day as people type them, in 12 and 24 hours: “9:30”, “9.30”, “9h30”, “0930”, “9am”, “half past nine”, “noon”, “9–11”. */
final class ClockWords
{
    /** What says a time of day wherever it stands, as a part of a pattern. */
    public const SAID = '(?:(?:[01]?\d|2[0-4])(?:[:.][0-5]\d)?\s?(?:am|pm|a\.m\.|p\.m\.)|(?:[01]?\d|2[0-3])h[0-5]\d|(?:[01]?\d|2[0-4])[:.][0-5]\d(?:\s?h(?![\p{L}\d]))?|(?:[01]?\d|2[0-4])h(?![\p{L}\d])|0\d[0-5][05]|(?:12\s)?noon|midday|midnight|'.self::PAST.'|'.self::OCLOCK.')';

    /** The same, and an hour alone or four figures, which say a time where something tells so: “at 9”, “from nine to 1030”. */
    public const TIME = '(?:'.self::SAID.'|(?:[01]\d|2[0-3])[0-5]\d|(?:[01]?\d|2[0-4])(?:\s?h(?![\p{L}\d]))?|'.NumberWords::HOUR.')';

    private const PAST = '(?:a\s)?(?:quarter|half|five|ten|twenty|twenty-five)\s(?:past|to)\s(?:'.NumberWords::HOUR.'|1[0-2]|[1-9])(?![\d:.])';

    private const OCLOCK = '(?:'.NumberWords::HOUR.'|1[0-2]|[1-9])\so[’\']clock';

    private const HALF = 12 * 60;

    /**
     * Minutes from midnight; 1,440 for the end of the day. Where neither am nor pm is said nor a nought in front, an hour
     * before seven is meant in the afternoon, and in the evening every one before noon is.
     *
     * @param  string  $part  of the day that was said beside it: morning, afternoon or evening
     */
    public static function read(string $text, string $part = ''): ?int
    {
        $parts = self::parts($text);
        if ($parts === null) {
            return null;
        }
        [$minutes, $half, $exact] = $parts;
        $before = ['morning' => 0, 'afternoon' => self::HALF, 'evening' => self::HALF][$part] ?? 7 * 60;

        return match (true) {
            $half !== null => $minutes % self::HALF + ($half === 'p' ? self::HALF : 0),
            ! $exact && $minutes >= 60 && $minutes < $before => $minutes + self::HALF,
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
     * Minutes of a length: “2h”, “1.5 hours”, “90 min”, “1h30”, “two hours”, “half an hour”.
     */
    public static function length(string $text): ?int
    {
        if (preg_match('/^(half\san|'.NumberWords::PATTERN.')\s(hour|minute)s?$/ui', trim($text), $found) === 1 && ! ctype_digit($found[1])) {
            return mb_strtolower($found[1][0]) === 'h' ? 30 : NumberWords::read($found[1]) * (mb_strtolower($found[2]) === 'hour' ? 60 : 1);
        }
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
        if (in_array($text, ['noon', '12 noon', 'midday'], true)) {
            return [self::HALF, null, true];
        }
        if ($text === 'midnight') {
            return [1440, null, true];
        }
        if (preg_match('/^(?:a\s)?([a-z-]+)\s(past|to)\s(\w+)$/u', $text, $found) === 1) {
            $hour = NumberWords::read($found[3]);
            $by = NumberWords::read($found[1]);
            if ($hour < 1 || $hour > 12 || $by === 0) {
                return null;
            }
            $minutes = $hour * 60 + ($found[2] === 'past' ? $by : -$by);

            // “quarter to one” is after noon.
            return [$minutes < 60 ? $minutes + self::HALF : $minutes, null, $minutes < 60];
        }
        $text = (string) preg_replace('/\so[’\']clock$/u', '', $text);
        if (! ctype_digit($text) && preg_match('/^'.NumberWords::HOUR.'$/u', $text) === 1) {
            $text = (string) NumberWords::read($text);
        }
        // 0930, 1430; 9h30.
        $text = (string) preg_replace(['/^(\d\d)([0-5]\d)$/', '/^(\d{1,2})h([0-5]\d)$/'], ['$1:$2', '$1:$2h'], $text);
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

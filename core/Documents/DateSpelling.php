<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** Makes the spellings of dates that documents have those that the one line understands. What it does not know stays as it is. */
final class DateSpelling
{
    private const DASH = '\s?(?:-|–|—|to)\s?';

    /**
     * @param  LocalDateTime  $from  a day and month alone is the next one from here on
     */
    public static function plain(string $text, LocalDateTime $from, bool $dayFirst): string
    {
        [$month, $weekday, $dash] = [DateWords::MONTH, DateWords::WEEKDAY, self::DASH];
        $rules = [
            // “September 28th, 2026”, “Oct. 4, 2026”, “Sept. 7”
            "/\\b({$month})\\.?\\s+(\\d{1,2})(?:st|nd|rd|th)?,?\\s+(\\d{4})\\b/iu" => '$2 $1 $3',
            "/\\b({$month})\\.?\\s+(\\d{1,2})(?:st|nd|rd|th)?\\b(?![:.]\\d|\\s?[ap]\\.?m\\b|\\s?[-–]\\s?\\d)/iu" => '$2 $1',
            "/\\b({$month})\\.(?=\\s+\\d{1,2}\\b)/iu" => '$1',
            "/\\b(\\d{1,2})(?:st|nd|rd|th)?\\.?\\s+({$month})\\.?,\\s+(\\d{4})\\b/iu" => '$1 $2 $3',
            "/\\b({$weekday})[.,]\\s+(?=\\d|{$month})/iu" => '$1 ',
            // “7.9.26”, “7/9/26”
            '/(?<![\d.\/])(\d{1,2})([.\/])(\d{1,2})\2(\d{2})(?![\d.\/:])/u' => '$1$2$3${2}20$4',
            // “Mon 7 – Fri 11 Sept”
            "/\\b(?:{$weekday}\\s)?(\\d{1,2})(?:st|nd|rd|th)?{$dash}(?:{$weekday}\\s)(\\d{1,2})(?:st|nd|rd|th)?\\s({$month})(\\s\\d{4})?/iu" => '$1 $3$4 to $2 $3$4',
            '/(\d{4}-\d\d-\d\d)\s?\.\.\s?(?=\d{4}-)/u' => '$1 to ',
            '/(\d{4}-\d\d-\d\d)T(?=\d\d:\d\d)/u' => '$1 ',
            '/\b12\s(?=noon)/iu' => '',
            // “14/15 May”
            "/(?<![\\d.\\/])(\\d{1,2})\\/(\\d{1,2})\\s({$month})\\b/iu" => '$1 to $2 $3',
            // “leaves 8.30, back 15.30”
            '/\b(?:leav(?:es?|ing)|depart(?:s|ing)?|starts?|from)\s(?:at\s)?(\d{1,2}[.:]\d\d(?:\s?[ap]m)?)(?:,|\s[-–]|\sand)?\s(?:back|returns?|returning|until|ends?)\s(?:by\s|at\s)?(\d{1,2}[.:]\d\d(?:\s?[ap]m)?)/iu' => '$1-$2',
            // What a match ended with is no hour.
            '/\b(beat|lost|won|drew|defeated)\b([^"\d]*)(\d{1,3}\s?[-–:]\s?\d{1,3})(?!\d)/iu' => '$1$2"$3"',
            // A price is no part of what it is.
            '/(?:,|\s[-–])\s?[£$€]\s?\d+(?:[.,]\d\d)?(?:\s(?:each|per\s\w+))?(?=$|[\s,.])/u' => '',
        ];
        $text = (string) preg_replace(array_keys($rules), array_values($rules), $text);
        // Of dots the day is first, wherever one is.
        $text = (string) preg_replace_callback('/(?<![\d.])(\d{1,2})\.(\d{1,2})\.(\d{4})(?!\d)/u', static fn (array $found): string => sprintf('%04d-%02d-%02d', $found[3], $found[2], $found[1]), $text);

        return self::weeks($text, $from, $dayFirst);
    }

    /** “w/c 5 October” is its five days. */
    private static function weeks(string $text, LocalDateTime $from, bool $dayFirst): string
    {
        return (string) preg_replace_callback('/\b(?:w\/c|w\/b|week\s(?:commencing|beginning|starting|of))\s(?:'.DateWords::WEEKDAY.'\s)?(?<date>'.DateWords::FIGURES.')/iu', static function (array $found) use ($from, $dayFirst): string {
            $day = DateWords::read($found['date'], $from, $dayFirst);

            return $day === null ? $found[0] : $day->toDate().' to '.$day->plusDays(4)->toDate();
        }, $text);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** Dates as people type them to go there: “next tue”, “14 mar”, “in 2 weeks”, “2026-11-02”, “2/11”. */
final class DateWords
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    /**
     * The day that is meant, or null where the words are no date.
     *
     * @param  LocalDateTime  $today  a weekday alone is the next one from here on, today included; a day and month the nearest ahead
     * @param  bool  $dayFirst  whether `2/11` is the second of November
     */
    public static function read(string $words, LocalDateTime $today, bool $dayFirst = true): ?LocalDateTime
    {
        $words = trim((string) preg_replace('/[\s,]+/', ' ', mb_strtolower($words)));
        $day = match ($words) {
            'today' => $today->day(),
            'tomorrow' => $today->day() + 1,
            'yesterday' => $today->day() - 1,
            'next week' => self::monday($today->day()) + 7,
            'last week' => self::monday($today->day()) - 7,
            default => self::weekday($words, $today->day()) ?? self::distance($words, $today),
        };
        if ($day !== null) {
            return new LocalDateTime($day * CivilDate::SECONDS_PER_DAY);
        }

        return self::calendarDate($words, $today, $dayFirst);
    }

    private static function monday(int $day): int
    {
        return $day - self::weekdayOf($day);
    }

    /** 0 is Monday. */
    private static function weekdayOf(int $day): int
    {
        // Day 0, 1970-01-01, was a Thursday.
        return (($day + 3) % 7 + 7) % 7;
    }

    /** “tue” is the next one, “next tue” the one of next week, “last tue” the one before today. */
    private static function weekday(string $words, int $today): ?int
    {
        if (preg_match('/^(?:(next|last|this) )?([a-z]{3,9})$/', $words, $found) !== 1) {
            return null;
        }
        $index = array_search(substr($found[2], 0, 3), self::DAYS, true);
        if ($index === false || ! str_starts_with(['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'][$index], $found[2]) && ! in_array($found[2], ['tues', 'thur', 'thurs'], true)) {
            return null;
        }

        return match ($found[1]) {
            'next' => self::monday($today) + 7 + $index,
            'last' => $today - 1 - ((self::weekdayOf($today) - 1 - $index + 7) % 7),
            'this' => self::monday($today) + $index,
            default => $today + ($index - self::weekdayOf($today) + 7) % 7,
        };
    }

    /** “in 3 days”, “2 weeks ago”. */
    private static function distance(string $words, LocalDateTime $today): ?int
    {
        if (preg_match('/^(?:in (\d{1,3}) (day|week)s?|(\d{1,3}) (day|week)s? ago)$/', $words, $found) !== 1) {
            return null;
        }
        $ago = isset($found[3]);
        $count = (int) ($ago ? $found[3] : $found[1]) * (($ago ? $found[4] : $found[2]) === 'week' ? 7 : 1);

        return $today->day() + ($ago ? -$count : $count);
    }

    private static function calendarDate(string $words, LocalDateTime $today, bool $dayFirst): ?LocalDateTime
    {
        $year = $month = null;
        $day = 1;
        if (preg_match('/^(\d{4})-(\d{1,2})-(\d{1,2})$/', $words, $found) === 1) {
            [$year, $month, $day] = [(int) $found[1], (int) $found[2], (int) $found[3]];
        } elseif (preg_match('#^(\d{1,2})[/.](\d{1,2})(?:[/.](\d{4})|\.)?$#', $words, $found) === 1) {
            [$day, $month] = $dayFirst ? [(int) $found[1], (int) $found[2]] : [(int) $found[2], (int) $found[1]];
            $year = isset($found[3]) ? (int) $found[3] : null;
        } elseif (preg_match('/^(\d{1,2})(?:st|nd|rd|th)? (?:of )?([a-z]{3,9})(?: (\d{4}))?$/', $words, $found) === 1) {
            [$day, $month, $year] = [(int) $found[1], self::month($found[2]), isset($found[3]) ? (int) $found[3] : null];
        } elseif (preg_match('/^([a-z]{3,9}) (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/', $words, $found) === 1) {
            [$month, $day, $year] = [self::month($found[1]), (int) $found[2], isset($found[3]) ? (int) $found[3] : null];
        } elseif (preg_match('/^([a-z]{3,9})(?: (\d{4}))?$/', $words, $found) === 1) {
            [$month, $day, $year] = [self::month($found[1]), 1, isset($found[2]) ? (int) $found[2] : null];
        }
        if ($month === null) {
            return null;
        }
        // Without a year the nearest one ahead; what was within a month past is meant as past.
        $thisYear = (int) substr($today->toDate(), 0, 4);
        foreach ($year === null ? [$thisYear, $thisYear + 1, $thisYear + 2, $thisYear + 3, $thisYear + 4] : [$year] as $candidate) {
            $date = self::date($candidate, $month, $day);
            if ($date !== null && ($year !== null || $date->day() >= $today->day() - 31)) {
                return $date;
            }
        }

        return null;
    }

    private static function month(string $word): ?int
    {
        $index = array_search(substr($word, 0, 3), self::MONTHS, true);
        $full = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];

        return $index === false || (! str_starts_with($full[$index], $word) && $word !== 'sept') ? null : $index + 1;
    }

    private static function date(int $year, int $month, int $day): ?LocalDateTime
    {
        return checkdate($month, $day, $year) ? LocalDateTime::parse(sprintf('%04d-%02d-%02d', $year, $month, $day)) : null;
    }
}

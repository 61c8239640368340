<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** Dates as people type them: “next tue”, “wed next week”, “14 mar”, “in two weeks”, “the 3rd”, “2026-11-02”, “2/11”. */
final class DateWords
{
    public const WEEKDAY = '(?:mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)';

    public const MONTH = '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';

    /** The day of a month. */
    public const NUMBER = '\d{1,2}(?:st|nd|rd|th)?';

    /** A date in figures, or with the name of its month, as a part of a pattern: it may be one that there is not. */
    public const FIGURES = '(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}\/\d{1,2}(?:\/\d{4})?|\d{1,2}\.\d{1,2}\.(?:\d{4})?|'.self::NUMBER.'\s(?:of\s)?'.self::MONTH.'(?:\s\d{4})?|'.self::MONTH.'\s'.self::NUMBER.'(?:\s\d{4})?)';

    /** After a name or a number of a day: no noun that it belongs to, as in “the 1st aid course” and “half-term trip”. */
    public const ENDS = '(?!\s(?!(?:at|from|in|until|till|to|by|with|for|on)\b)\p{L})';

    /** A date as a part of a pattern. */
    public const PATTERN = '(?:'.self::FIGURES.'|today|tomorrow|(?:the\s)?day\safter\stomorrow|(?:next|this)\sweek(?:\son)?\s'.self::WEEKDAY.'|'.self::WEEKDAY.'\s(?:(?:next|this)\s)?week|a\sweek\son\s'.self::WEEKDAY
        .'|'.self::WEEKDAY.'\sin\s'.NumberWords::PATTERN.'\sweeks?|(?:(?:next|this)\s)?'.self::WEEKDAY.'|in\s'.NumberWords::PATTERN.'\s(?:day|week|fortnight|month)s?|next\sweek(?!end)|(?<=on\s)the\s\d{1,2}(?:st|nd|rd|th)'.self::ENDS.')';

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
            'day after tomorrow', 'the day after tomorrow' => $today->day() + 2,
            'yesterday' => $today->day() - 1,
            'next week' => CivilDate::monday($today->day()) + 7,
            'last week' => CivilDate::monday($today->day()) - 7,
            default => self::weekday($words, $today->day()) ?? self::weekdayOfWeek($words, $today->day()) ?? self::distance($words, $today) ?? self::dayOfMonth($words, $today),
        };
        if ($day !== null) {
            return LocalDateTime::midnight($day);
        }

        return self::calendarDate($words, $today, $dayFirst);
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
            'next' => CivilDate::monday($today) + 7 + $index,
            'last' => $today - 1 - ((CivilDate::weekday($today) - 1 - $index + 7) % 7),
            'this' => CivilDate::monday($today) + $index,
            default => $today + ($index - CivilDate::weekday($today) + 7) % 7,
        };
    }

    /** “wed next week”, “next week on wed”, “friday week”, “a week on friday”, “fri in two weeks”. */
    private static function weekdayOfWeek(string $words, int $today): ?int
    {
        if (preg_match('/^(next|this) week (?:on )?([a-z]+)$|^([a-z]+) (next|this) week$/', $words, $found) === 1) {
            return self::weekday((isset($found[3]) ? $found[4].' '.$found[3] : $found[1].' '.$found[2]), $today);
        }
        if (preg_match('/^a week on ([a-z]+)$|^([a-z]+) week$|^([a-z]+) in ('.NumberWords::PATTERN.') weeks?$/', $words, $found, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }
        $day = self::weekday((string) ($found[1] ?? $found[2] ?? $found[3]), $today);

        return $day === null ? null : $day + 7 * (($found[4] ?? null) === null ? 1 : NumberWords::read($found[4]));
    }

    /** “in 3 days”, “in two weeks”, “in a month”, “2 weeks ago”. */
    private static function distance(string $words, LocalDateTime $today): ?int
    {
        if (preg_match('/^(?<in>in )?(?<count>'.NumberWords::PATTERN.') (?<unit>day|week|fortnight|month)s?(?<ago> ago)?$/', $words, $found) !== 1 || ($found['in'] === '') === (($found['ago'] ?? '') === '')) {
            return null;
        }
        $count = NumberWords::read($found['count']) * ($found['in'] === '' ? -1 : 1);
        if ($found['unit'] !== 'month') {
            return $today->day() + $count * ['day' => 1, 'week' => 7, 'fortnight' => 14][$found['unit']];
        }
        [$year, $month, $day] = CivilDate::fromDays($today->day());
        $months = $year * 12 + $month - 1 + $count;
        [$year, $month] = [intdiv($months, 12), $months % 12 + 1];

        return self::date($year, $month, min($day, CivilDate::daysInMonth($year, $month)))?->day();
    }

    /** “the 3rd”: the next one from today on. */
    private static function dayOfMonth(string $words, LocalDateTime $today): ?int
    {
        if (preg_match('/^the (\d{1,2})(?:st|nd|rd|th)$/', $words, $found) !== 1 || (int) $found[1] < 1 || (int) $found[1] > 31) {
            return null;
        }
        for ($day = $today->day(); CivilDate::fromDays($day)[2] !== (int) $found[1]; $day++);

        return $day;
    }

    /** The same date with the last day that its month has, where a date in figures has a day too many; else null. */
    public static function withinMonth(string $words, LocalDateTime $today, bool $dayFirst = true): ?string
    {
        preg_match_all('/\d+/', $words, $numbers, PREG_OFFSET_CAPTURE);
        foreach ($numbers[0] as [$number, $at]) {
            if (strlen($number) > 2 || (int) $number < 29) {
                continue;
            }
            foreach ([31, 30, 29, 28] as $day) {
                $instead = substr_replace($words, (string) $day, $at, strlen($number));
                if ($day < (int) $number && self::readsInNextYear($instead, $today, $dayFirst)) {
                    return $instead;
                }
            }
        }

        return null;
    }

    /** Of 31 feb the next february tells how many days it has, not the next leap year. */
    private static function readsInNextYear(string $words, LocalDateTime $today, bool $dayFirst): bool
    {
        $day = self::read($words, $today, $dayFirst)?->day();

        return $day !== null && (preg_match('/\d{4}/', $words) === 1 || $day < $today->day() + 366);
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

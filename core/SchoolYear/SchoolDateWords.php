<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** Days as a school says them: “week 4”, “tue week 4”, “half-term”, “end of term”, “spring”. */
final class SchoolDateWords
{
    public const WEEK = '(?:(?<weekday>'.DateWords::WEEKDAY.')\s(?:(?:of|in)\s)?)?(?:term\s)?week\s(?<number>\d{1,2})(?:\s(?<then>'.DateWords::WEEKDAY.'))?';

    /**
     * The first day that is meant; null where the words mean none. A week that no term has is one of the year (ISO 8601).
     *
     * @param  LocalDateTime  $today  half-terms and ends are the next from here on; a week may be one of this term that is past
     */
    public static function read(string $words, LocalDateTime $today, SchoolYear $year): ?LocalDateTime
    {
        $words = trim((string) preg_replace('/[\s,]+/', ' ', mb_strtolower($words)));
        if (preg_match('/^'.self::WEEK.'$/u', $words, $found) === 1) {
            return self::at(self::dayOfWeek($found, $today, $year, false) ?? self::weekOfYear((int) $found['number'], $today));
        }
        foreach (self::named($today->day(), $year) as $name => [$first]) {
            if ($name === str_replace('half term', 'half-term', $words)) {
                return self::at($first);
            }
        }

        return null;
    }

    /**
     * The day that a match of WEEK means: its weekday, else its Monday.
     *
     * @param  array<array-key, string>  $found
     * @param  bool  $ahead  whether what is past is meant of the next term
     */
    public static function dayOfWeek(array $found, LocalDateTime $today, SchoolYear $year, bool $ahead): ?int
    {
        $monday = $year->weekNumbered((int) $found['number'], $today->day(), $ahead);
        $weekday = ($found['weekday'] ?? '') !== '' ? $found['weekday'] : ($found['then'] ?? '');
        if ($monday === null || $weekday === '') {
            return $monday;
        }

        return DateWords::read($weekday, LocalDateTime::midnight($monday))?->day();
    }

    /**
     * What goes by a name from a day on, in small letters: first and last day (inclusive).
     *
     * @return array<string, array{int, int}>
     */
    public static function named(int $today, SchoolYear $year): array
    {
        $named = [];
        foreach ($year->terms as $term) {
            $name = mb_strtolower($term->name);
            foreach ($term->halfTerms as $half) {
                if ($half->last >= $today) {
                    $named[mb_strtolower($half->name)] ??= [$half->first, $half->last];
                    $named[$name.' '.mb_strtolower($half->name)] ??= [$half->first, $half->last];
                }
            }
            if ($term->last >= $today) {
                $named['end of term'] ??= [$term->last, $term->last];
                $named["end of {$name}"] ??= [$term->last, $term->last];
                $named[$name] ??= [$term->first, $term->last];
            }
            if ($term->first >= $today) {
                $named['start of term'] ??= [$term->first, $term->first];
                $named["start of {$name}"] ??= [$term->first, $term->first];
            }
        }

        return $named;
    }

    /** Monday of a week of the year that is on. */
    private static function weekOfYear(int $number, LocalDateTime $today): ?int
    {
        if ($number < 1 || $number > 53) {
            return null;
        }
        // The fourth of January is always in week 1.
        $fourth = CivilDate::toDays(CivilDate::fromDays($today->day())[0], 1, 4);

        return $fourth - CivilDate::weekday($fourth) + 7 * ($number - 1);
    }

    private static function at(?int $day): ?LocalDateTime
    {
        return $day === null ? null : LocalDateTime::midnight($day);
    }
}

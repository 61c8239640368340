<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;

/** Whether a document writes the day or the month first in figures: told from it where that is possible. */
enum DateOrder: string
{
    case DayFirst = 'day';
    case MonthFirst = 'month';

    /** Either could be meant. */
    case Unknown = 'unknown';

    /** @param  string  $text  all of it */
    public static function of(string $text): self
    {
        preg_match_all('/(?<![\d.\/])(?:(?<weekday>'.DateWords::WEEKDAY.')[.,]?\s+)?(?<first>\d{1,2})\/(?<second>\d{1,2})(?:\/(?<year>\d{4}|\d{2}))?(?![\d\/])/iu', $text, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL);
        $votes = ['day' => 0, 'month' => 0];
        $isAmbiguous = false;
        foreach ($found as $each) {
            [$first, $second] = [(int) $each['first'], (int) $each['second']];
            if ($first > 12 && $first <= 31 && $second <= 12) {
                $votes['day']++;
            } elseif ($second > 12 && $second <= 31 && $first <= 12) {
                $votes['month']++;
            } elseif ($first !== $second && $first <= 12 && $second <= 12 && $first > 0 && $second > 0) {
                $isAmbiguous = true;
                foreach (self::byWeekday($each, $first, $second) as $order) {
                    $votes[$order]++;
                }
            }
        }
        if ($votes['day'] !== $votes['month']) {
            return $votes['day'] > $votes['month'] ? self::DayFirst : self::MonthFirst;
        }
        // Who writes “September 28, 2026” writes 9/28.
        $named = preg_match_all('/'.DateWords::MONTH.'\.?\s+\d{1,2}(?:st|nd|rd|th)?,?\s+\d{4}/iu', $text);
        $other = preg_match_all('/\d{1,2}(?:st|nd|rd|th)?\s+'.DateWords::MONTH.'\b/iu', $text);

        return match (true) {
            $named > $other => self::MonthFirst,
            $isAmbiguous && $other === 0 => self::Unknown,
            default => self::DayFirst,
        };
    }

    /**
     * @param  array<array-key, ?string>  $found
     * @return list<string>
     */
    private static function byWeekday(array $found, int $first, int $second): array
    {
        if (($found['weekday'] ?? '') === '' || strlen((string) $found['year']) !== 4) {
            return [];
        }
        $is = static fn (int $day, int $month): bool => CellWhen::agrees(CivilDate::toDays((int) $found['year'], $month, $day), (string) $found['weekday']);

        return match (true) {
            $is($first, $second) && ! $is($second, $first) => ['day'],
            $is($second, $first) && ! $is($first, $second) => ['month'],
            default => [],
        };
    }
}

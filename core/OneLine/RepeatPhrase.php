<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;

/** How often something is, as it is said: every so many weeks, on some days, on the second Tuesday of the month. */
final readonly class RepeatPhrase
{
    private const DAY = DateWords::WEEKDAY;

    private const DAYS = self::DAY.'s?(?:(?:\s?(?:,|and|&|\+)\s?)+'.self::DAY.'s?)*';

    private const ORDINAL = '(?:first|1st|second|2nd|third|3rd|fourth|4th|fifth|5th|last)';

    private const ORDINALS_LIST = self::ORDINAL.'(?:(?:\s?(?:,|and|&)\s?)+'.self::ORDINAL.')*';

    private const PLURALS = '(?:mon|tues|wednes|thurs|fri|satur|sun)days';

    private const ORDINALS = ['first' => 1, '1st' => 1, 'second' => 2, '2nd' => 2, 'third' => 3, '3rd' => 3, 'fourth' => 4, '4th' => 4, 'fifth' => 5, '5th' => 5, 'last' => -1];

    private const UNITS = ['day' => 'DAILY', 'week' => 'WEEKLY', 'month' => 'MONTHLY', 'year' => 'YEARLY'];

    private const ADVERBS = ['daily' => 'DAILY', 'weekly' => 'WEEKLY', 'fortnightly' => 'WEEKLY;INTERVAL=2', 'monthly' => 'MONTHLY', 'yearly' => 'YEARLY', 'annually' => 'YEARLY'];

    /**
     * @param  string  $frequency  with its interval, as an RRULE has it
     * @param  list<int>  $weekdays  0 is Monday
     * @param  list<int>  $ordinals  which of them in a month; none for every one
     * @param  int  $monthDay  the day of the month, -1 for its last; 0 where none is said
     */
    private function __construct(private string $frequency, private array $weekdays = [], private array $ordinals = [], private int $monthDay = 0)
    {
    }

    /** @return list<string> patterns, the most telling first */
    public static function patterns(): array
    {
        $edge = static fn (string $pattern): string => '/(?<![\p{L}\p{N}])'.$pattern.'(?![\p{L}\p{N}])/ui';
        $month = '(?:of|in)\s(?:every|each|the)\smonth';
        $interval = '(?:(?<interval>other|second|2nd|\d{1,2}|two|three|four)\s)?';
        $every = "(?:every\s{$interval}(?<unit>month)s?|(?<adverb>monthly))";
        $span = '(?<span>'.self::DAY.'\s?(?:-|–|—|to)\s?'.self::DAY.')';

        return [
            $edge('(?:every\s|the\s|on\sthe\s)?(?<ordinal>'.self::ORDINALS_LIST.')\s(?<days>'.self::DAYS.')\s'.$month),
            $edge('(?:every\s|the\s|on\sthe\s)?(?<monthday>last|\d{1,2}(?:st|nd|rd|th))(?:\sday)?\s'.$month),
            $edge($every.'\son\s(?:(?:the|its)\s)?(?<monthday>last|\d{1,2}(?:st|nd|rd|th))(?:\sday)?(?!\s'.self::DAY.')'),
            $edge($every.'\son\sthe\s(?<ordinal>'.self::ORDINALS_LIST.')\s(?<days>'.self::DAYS.')'),
            $edge('every\s(?:week\s(?:on\s|from\s)?)?'.$span),
            $edge($span.'\s(?:every\sweek|weekly)'),
            $edge('every\s(?<ordinal>first|1st|third|3rd|fourth|4th|fifth|5th|last)\s(?<days>'.self::DAYS.')'),
            $edge('every\s'.$interval.'(?<unit>day|week|month|year)s?(?:\son\s(?<days>'.self::DAYS.'))?'),
            $edge('every\s(?:(?<interval>other|second|2nd)\s)?(?<days>'.self::DAYS.')'),
            $edge('(?:every\s|on\s)?(?<weekdays>weekdays|(?<=every\s)weekday|working\sdays|(?<=every\s)working\sday)'),
            $edge('(?<adverb>daily|weekly|fortnightly|monthly|yearly|annually)(?:\son\s(?<days>'.self::DAYS.'))?'),
            $edge('(?:on\s)?(?<days>'.self::PLURALS.'(?:(?:\s?(?:,|and|&|\+)\s?)+'.self::PLURALS.')*)'),
        ];
    }

    /** @param  array<string, string>  $found  the parts of one of the patterns */
    public static function of(array $found): ?self
    {
        $days = ($found['days'] ?? '') === '' ? [] : self::weekdays($found['days']);
        if (($found['span'] ?? '') !== '') {
            preg_match_all('/'.self::DAY.'/ui', $found['span'], $ends);

            return new self('WEEKLY', self::between(self::weekdays($ends[0][0])[0], self::weekdays($ends[0][1])[0]));
        }
        if (($found['monthday'] ?? '') !== '') {
            $day = mb_strtolower($found['monthday']) === 'last' ? -1 : (int) $found['monthday'];

            return $day > 31 || $day === 0 ? null : new self(self::monthly($found), monthDay: $day);
        }
        if (($found['ordinal'] ?? '') !== '') {
            preg_match_all('/'.self::ORDINAL.'/ui', $found['ordinal'], $ordinals);

            return new self(self::monthly($found), $days, array_map(static fn (string $each): int => self::ORDINALS[mb_strtolower($each)], $ordinals[0]));
        }
        if (($found['weekdays'] ?? '') !== '') {
            return new self('WEEKLY', [0, 1, 2, 3, 4]);
        }
        if (($found['adverb'] ?? '') !== '') {
            return new self(self::ADVERBS[mb_strtolower($found['adverb'])], $days);
        }
        $frequency = self::UNITS[mb_strtolower($found['unit'] ?? '')] ?? 'WEEKLY';

        return self::interval($found) < 1 ? null : new self($frequency.self::intervalPart($found), $days);
    }

    /** So many days one after another, or for that many weeks the same one. */
    public static function daily(): self
    {
        return new self('DAILY');
    }

    public static function weekly(): self
    {
        return new self('WEEKLY');
    }

    /** Every week on the days from one to another, where no days were said; else null. */
    public function onDaysBetween(int $first, int $last): ?self
    {
        return $this->weekdays === [] && str_starts_with($this->frequency, 'WEEKLY') && $last - $first < 7
            ? new self($this->frequency, self::between(CivilDate::weekday($first), CivilDate::weekday($last))) : null;
    }

    /** @return list<int> from one day of the week to another, 0 is Monday */
    private static function between(int $first, int $last): array
    {
        $days = array_map(static fn (int $day): int => $day % 7, range($first, $last < $first ? $last + 7 : $last));
        sort($days);

        return $days;
    }

    /** @param  array<string, string>  $found */
    private static function interval(array $found): int
    {
        $said = mb_strtolower($found['interval'] ?? '');

        return ['' => 1, 'other' => 2, 'second' => 2, '2nd' => 2, 'two' => 2, 'three' => 3, 'four' => 4][$said] ?? (int) $said;
    }

    /** @param  array<string, string>  $found */
    private static function intervalPart(array $found): string
    {
        $interval = max(1, self::interval($found));

        return $interval === 1 ? '' : ";INTERVAL={$interval}";
    }

    /** @param  array<string, string>  $found */
    private static function monthly(array $found): string
    {
        return 'MONTHLY'.self::intervalPart($found);
    }

    /** RRULE without its end (RFC 5545, 3.3.10). */
    public function rule(): string
    {
        $days = [];
        foreach ($this->ordinals === [] ? [''] : $this->ordinals as $ordinal) {
            array_push($days, ...array_map(static fn (int $day): string => $ordinal.WeekdayRule::NAMES[$day], $this->weekdays));
        }

        return "FREQ={$this->frequency}".($days === [] ? '' : ';BYDAY='.implode(',', $days)).($this->monthDay === 0 ? '' : ";BYMONTHDAY={$this->monthDay}");
    }

    /** The first day from one on that the phrase can mean, as a day number. */
    public function firstFrom(int $day): int
    {
        for ($candidate = $day; $candidate < $day + 400; $candidate++) {
            if ($this->means($candidate)) {
                return $candidate;
            }
        }

        return $day;
    }

    private function means(int $day): bool
    {
        [$year, $month, $number] = CivilDate::fromDays($day);
        $last = CivilDate::daysInMonth($year, $month);
        if ($this->monthDay !== 0) {
            return $number === ($this->monthDay < 0 ? $last : $this->monthDay);
        }
        if ($this->weekdays !== [] && ! in_array(CivilDate::weekday($day), $this->weekdays, true)) {
            return false;
        }

        return $this->ordinals === [] || in_array(intdiv($number - 1, 7) + 1, $this->ordinals, true) || ($number + 7 > $last && in_array(-1, $this->ordinals, true));
    }

    /** @return list<int> 0 is Monday */
    private static function weekdays(string $text): array
    {
        preg_match_all('/'.self::DAY.'/ui', $text, $found);
        $days = array_map(static fn (string $day): int => (int) array_search(mb_strtolower(mb_substr($day, 0, 3)), ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], true), $found[0]);
        $days = array_values(array_unique($days));
        sort($days);

        return $days;
    }
}

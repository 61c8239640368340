<?php

namespace Tests\Support;

/** Rules at random, of every shape that the table of RFC 5545, 3.3.10 allows. Seed mt_srand() first. */
final class RandomRule
{
    private const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    /** @param  list<string>  $frequencies */
    public static function text(array $frequencies = ['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY', 'SECONDLY']): string
    {
        $frequency = $frequencies[array_rand($frequencies)];
        $short = in_array($frequency, ['HOURLY', 'MINUTELY', 'SECONDLY'], true);
        $parts = ["FREQ={$frequency}"];
        if (self::chance(40)) {
            $parts[] = 'INTERVAL='.(self::chance(80) ? mt_rand(2, 6) : mt_rand(7, $short ? 5000 : 40));
        }
        if (self::chance(25)) {
            $parts[] = 'COUNT='.mt_rand(1, 60);
        } elseif (self::chance(15)) {
            $parts[] = sprintf('UNTIL=%04d%02d%02dT%02d0000', mt_rand(2020, 2032), mt_rand(1, 12), mt_rand(1, 28), mt_rand(0, 23));
        }
        $by = [];
        if (self::chance(35)) {
            $by[] = 'BYMONTH='.self::numbers(1, 12, 4);
        }
        $weeks = $frequency === 'YEARLY' && self::chance(15);
        if ($weeks) {
            $by[] = 'BYWEEKNO='.self::numbers(1, 53, 4, true);
        }
        if (! in_array($frequency, ['DAILY', 'WEEKLY', 'MONTHLY'], true) && self::chance(12)) {
            $by[] = 'BYYEARDAY='.self::numbers(1, 366, 6, true);
        }
        if ($frequency !== 'WEEKLY' && self::chance(25)) {
            $by[] = 'BYMONTHDAY='.self::numbers(1, 31, 5, true);
        }
        if (self::chance(40)) {
            $numbered = in_array($frequency, ['MONTHLY', 'YEARLY'], true) && ! $weeks && self::chance(50);
            $by[] = 'BYDAY='.implode(',', array_map(
                static fn (string $day): string => ($numbered ? (self::chance(30) ? '-' : '').mt_rand(1, $frequency === 'YEARLY' ? 20 : 5) : '').$day,
                self::some(self::DAYS, 4),
            ));
        }
        if (self::chance($short ? 40 : 20)) {
            $by[] = 'BYHOUR='.self::numbers(0, 23, 3);
        }
        if (self::chance($short ? 40 : 15)) {
            $by[] = 'BYMINUTE='.self::numbers(0, 59, 3);
        }
        if (self::chance($short ? 40 : 8)) {
            $by[] = 'BYSECOND='.self::numbers(0, 59, 3);
        }
        if ($by !== [] && self::chance(20)) {
            $by[] = 'BYSETPOS='.self::numbers(1, self::chance(80) ? 4 : 366, 3, true);
        }
        if (self::chance(20)) {
            $by[] = 'WKST='.self::DAYS[mt_rand(0, 6)];
        }

        return implode(';', [...$parts, ...$by]);
    }

    /** A wall time at random, `2026-11-02T09:30:00`. */
    public static function start(int $firstYear = 2019, int $lastYear = 2026): string
    {
        return sprintf('%04d-%02d-%02dT%02d:%02d:%02d', mt_rand($firstYear, $lastYear), mt_rand(1, 12), mt_rand(1, 28), mt_rand(0, 23), self::chance(50) ? 0 : mt_rand(0, 59), self::chance(80) ? 0 : mt_rand(0, 59));
    }

    private static function chance(int $percent): bool
    {
        return mt_rand(1, 100) <= $percent;
    }

    private static function numbers(int $least, int $most, int $atMost, bool $signed = false): string
    {
        $numbers = [];
        for ($index = mt_rand(1, $atMost); $index > 0; $index--) {
            $numbers[] = ($signed && self::chance(30) ? -1 : 1) * mt_rand($least, $most);
        }

        return implode(',', array_unique($numbers));
    }

    /**
     * @param  list<string>  $of
     * @return list<string>
     */
    private static function some(array $of, int $atMost): array
    {
        shuffle($of);

        return array_slice($of, 0, mt_rand(1, $atMost));
    }
}

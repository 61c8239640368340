<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Time\DateWords;

/** Takes a sentence apart that says several dates: each with what is said of it, and what is said of all. */
final class DatesApart
{
    private const DATE = '(?:(?:on\s)?(?:'.DateWords::WEEKDAY.'\s)?'.DateWords::FIGURES.')';

    /** @return list<string> sentences with one date, or one span of dates, each */
    public static function of(string $sentence): array
    {
        return self::days($sentence) ?? self::labelled($sentence) ?? self::dates($sentence) ?? self::clauses($sentence) ?? [$sentence];
    }

    /**
     * “on 3, 10 and 17 November at 4pm”: each of these days; two that follow on one another and say no hour are one event.
     *
     * @return ?list<string>
     */
    private static function days(string $sentence): ?array
    {
        $number = '\d{1,2}(?:st|nd|rd|th)?';
        if (preg_match('/(?<![\d.:\/])(?<days>'.$number.'(?:,\s?'.$number.')*,?\s?(?:and|&|\+)\s?'.$number.')\s(?<month>'.DateWords::MONTH.'(?:\s\d{4})?)\b/iu', $sentence, $found, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }
        preg_match_all('/\d{1,2}/', $found['days'][0], $days);
        $month = $found['month'][0];
        $put = static fn (string $date): string => substr_replace($sentence, $date, (int) $found[0][1], strlen($found[0][0]));
        $days = array_map(intval(...), $days[0]);
        $saysHour = preg_match('/\d(?:[:.]\d\d|\s?[ap]m)|noon/iu', (string) preg_replace('/'.DateWords::FIGURES.'/iu', '', $put(''))) === 1;
        if (count($days) === 2 && $days[1] === $days[0] + 1 && ! $saysHour) {
            return [$put("{$days[0]} to {$days[1]} {$month}")];
        }

        return array_map(static fn (int $day): string => $put("{$day} {$month}"), $days);
    }

    /**
     * “24 November (Keel year), 26 November (Frame year), each 5–7pm”
     *
     * @return ?list<string>
     */
    private static function labelled(string $sentence): ?array
    {
        $one = self::DATE.'\s\((?<label>[^()]+)\)';
        preg_match_all("/{$one}/iu", $sentence, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        if (count($found) < 2) {
            return null;
        }
        $first = (int) $found[0][0][1];
        $last = end($found);
        $before = rtrim(substr($sentence, 0, $first), ' :,-–');
        $after = substr($sentence, (int) $last[0][1] + strlen($last[0][0]));

        return array_map(static fn (array $each): string => "{$before} ({$each['label'][0]}) ".trim(substr($each[0][0], 0, (int) strrpos($each[0][0], '('))).$after, $found);
    }

    /**
     * “on Wednesday 18 November, Wednesday 20 January and Wednesday 10 March, all at 5.30 pm”: what is said before and after them is said of each. The
     * year of the last is that of those before it.
     *
     * @return ?list<string>
     */
    private static function dates(string $sentence): ?array
    {
        if (preg_match('/'.self::DATE.'(?:(?:,\s|,?\s(?:and|&)\s)'.self::DATE.')+/iu', $sentence, $found, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }
        [$all, $at] = $found[0];
        preg_match_all('/'.self::DATE.'/iu', $all, $each);
        $year = preg_match('/\s(\d{4})$/', $all, $last) === 1 ? " {$last[1]}" : '';
        $put = static fn (string $date): string => substr_replace($sentence, preg_match('/\p{L}$/u', $date) === 1 ? $date.$year : $date, (int) $at, strlen($all));

        return array_map($put, $each[0]);
    }

    /**
     * “School closes on 23 October and reopens on 2 November”, “sent home on 11 December and on 9 July”
     *
     * @return ?list<string>
     */
    private static function clauses(string $sentence): ?array
    {
        $parts = preg_split('/(?:,\s|\s)(?:and|;)\s(?=(?:[^\d;]{0,40}\s)?'.self::DATE.')/iu', $sentence) ?: [];
        $dated = array_filter($parts, static fn (string $part): bool => preg_match('/'.DateWords::FIGURES.'/iu', $part) === 1);
        if (count($parts) < 2 || count($dated) !== count($parts)) {
            return null;
        }
        $about = trim((string) preg_replace('/(?:\bon\s)?'.self::DATE.'.*$/iu', '', $parts[0]));
        $subject = strtok($about, ' ');
        foreach ($parts as $index => $part) {
            $own = trim((string) preg_replace('/(?:\bon\s)?'.self::DATE.'.*$/iu', '', $part));
            if ($index > 0) {
                $parts[$index] = match (true) {
                    $own === '' => "{$about} {$part}",
                    preg_match('/^\p{Ll}+s\b/u', $own) === 1 => "{$subject} {$part}",
                    default => $part,
                };
            }
        }

        return $parts;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\ClockWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** When a cell of a table says that something is, where it says nothing else. */
final readonly class CellWhen
{
    /** What days of spreadsheets are counted from: 1 is 31 December 1899, and 1900 is a leap year to them. */
    private const SERIAL_FROM = '1899-12-30';

    /** Of the years 2000 to 2099; other numbers are no days. */
    private const SERIALS = [36_526, 73_050];

    private const DASH = '/[-–—]|\b(?:to|until|till)\b/iu';

    /**
     * @param  ?int  $day  day number; null where it says none
     * @param  ?int  $last  the last of some in a row, inclusive
     * @param  ?int  $from  minutes from midnight
     * @param  ?int  $to  likewise, of the same day or the next
     * @param  list<string>  $doubts
     */
    private function __construct(public ?int $day = null, public ?int $last = null, public ?int $from = null, public ?int $to = null, public array $doubts = [])
    {
    }

    public static function of(string $cell, Reading $reading, Context $context): ?self
    {
        // Seconds are said by programs alone.
        $cell = (string) preg_replace('/\b(\d{1,2}:\d\d):\d\d\b/', '$1', trim($cell));

        return $cell === '' ? null : $reading->cell($cell, $context, static fn (): ?self => self::read($cell, $reading, $context));
    }

    private static function read(string $cell, Reading $reading, Context $context): ?self
    {
        if (preg_match('/^\d+(?:[.,]\d+)?$/', $cell) === 1) {
            $number = self::ofNumber((float) str_replace(',', '.', $cell));
            if ($number !== null) {
                return $number;
            }
        }
        $is = $reading->of('x '.$context->dated((string) preg_replace('/^(.*\d)\s?h$/iu', '$1', $cell)), $context);
        if ($is->start === null || $is->end === null || $is->rule !== null || trim($is->title, ' ,.()') !== 'x' || $is->place !== '') {
            return self::ofHours($cell);
        }
        [$saysDay, $saysHour] = [Reading::saysDay($is), ! $is->allDay];
        $from = $saysHour ? intdiv($is->start->secondOfDay(), 60) : null;
        $saysEnd = $saysHour && preg_match(self::DASH, (string) preg_replace('/\d{4}-\d\d-\d\d/', '', $cell)) === 1;
        $last = $is->allDay ? $is->end->day() - 1 : ($is->end->day() > $is->start->day() + 1 ? $is->end->day() : null);

        return new self(
            $saysDay ? $is->start->day() : null, $saysDay && $last !== null && $last > $is->start->day() ? $last : null,
            $from, $saysEnd ? $from + intdiv($is->end->seconds - $is->start->seconds, 60) : null, Reading::doubts($is),
        );
    }

    /** A day as spreadsheets count them, or a part of one. */
    private static function ofNumber(float $number): ?self
    {
        if ($number > 0 && $number < 1) {
            return new self(from: (int) round($number * 1440));
        }
        if ($number < self::SERIALS[0] || $number >= self::SERIALS[1]) {
            return null;
        }
        $minutes = (int) round(fmod($number, 1) * 1440);

        return new self(LocalDateTime::parse(self::SERIAL_FROM)->day() + (int) floor($number), from: $minutes === 0 ? null : $minutes);
    }

    /** “8-12”, “9”, “0930”: hours, where a column is of hours. */
    private static function ofHours(string $cell): ?self
    {
        if (preg_match('/^(?<from>'.ClockWords::TIME.')(?:\s?(?:-|–|—|to)\s?(?<to>'.ClockWords::TIME.'))?$/iu', $cell, $found) !== 1) {
            return null;
        }
        if (($found['to'] ?? '') !== '') {
            $span = ClockWords::span($found['from'], $found['to']);

            return $span === null ? null : new self(from: $span[0], to: $span[1]);
        }
        $from = ClockWords::read($found['from']);

        return $from === null || ctype_digit($cell) ? null : new self(from: $from);
    }

    /** Whether a cell is the name of a weekday and nothing else. */
    public static function isWeekday(string $cell): bool
    {
        return preg_match('/^'.DateWords::WEEKDAY.'\.?$/iu', trim($cell)) === 1;
    }

    public static function weekdayOf(string $cell): int
    {
        return (int) array_search(mb_strtolower(substr(trim($cell), 0, 3)), ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], true);
    }

    /** Whether a day is of the weekday that a cell says. */
    public static function agrees(int $day, string $weekday): bool
    {
        return CivilDate::weekday($day) === self::weekdayOf($weekday);
    }
}

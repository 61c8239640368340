<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/**
 * What a clock on a wall and a calendar beside it show: a date and a time of day, without a zone.
 *
 * Held as the seconds from 1970-01-01T00:00:00 to it as though every day had 86,400 seconds.
 */
final readonly class LocalDateTime
{
    private const EARLIEST = -30_610_224_000; // 1000-01-01, the first date that MariaDB's DATETIME holds

    private const LATEST = 253_402_300_799; // 9999-12-31T23:59:59

    public function __construct(public int $seconds)
    {
    }

    /** @throws InvalidTime where no such date or time of day exists; second 60 is read as 59 */
    public static function of(int $year, int $month, int $day, int $hour = 0, int $minute = 0, int $second = 0): self
    {
        if ($month < 1 || $month > 12 || $day < 1 || $day > CivilDate::daysInMonth($year, $month)) {
            throw new InvalidTime(sprintf('There is no date %04d-%02d-%02d.', $year, $month, $day));
        }
        if ($hour < 0 || $hour > 23 || $minute < 0 || $minute > 59 || $second < 0 || $second > 60) {
            throw new InvalidTime(sprintf('There is no time of day %02d:%02d:%02d.', $hour, $minute, $second));
        }
        $seconds = CivilDate::toDays($year, $month, $day) * CivilDate::SECONDS_PER_DAY + $hour * 3600 + $minute * 60 + min($second, 59);
        if ($seconds < self::EARLIEST || $seconds > self::LATEST) {
            throw new InvalidTime("The year {$year} is out of bounds: 1000 to 9999.");
        }

        return new self($seconds);
    }

    /**
     * Reads `2026-11-02`, `2026-11-02T09:30`, `2026-11-02T09:30:00` (ISO 8601, extended form, no zone; a blank serves for the T).
     *
     * @throws InvalidTime
     */
    public static function parse(string $text): self
    {
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)(?:[T ](\d\d):(\d\d)(?::(\d\d))?)?$/D', $text, $m) !== 1) {
            throw new InvalidTime('A date is written 2026-11-02, a date and time 2026-11-02T09:30.');
        }

        return self::of((int) $m[1], (int) $m[2], (int) $m[3], (int) ($m[4] ?? 0), (int) ($m[5] ?? 0), (int) ($m[6] ?? 0));
    }

    /** The beginning of a day, by its number from 1970-01-01 on. */
    public static function midnight(int $day): self
    {
        return new self($day * CivilDate::SECONDS_PER_DAY);
    }

    /** The last that is written with a year of four digits. */
    public static function last(): self
    {
        return new self(self::LATEST);
    }

    /** Whether its year is written with four digits. */
    public function isWritable(): bool
    {
        return $this->seconds >= self::EARLIEST && $this->seconds <= self::LATEST;
    }

    public function day(): int
    {
        return CivilDate::floorDiv($this->seconds, CivilDate::SECONDS_PER_DAY);
    }

    public function secondOfDay(): int
    {
        return $this->seconds - $this->day() * CivilDate::SECONDS_PER_DAY;
    }

    public function plusSeconds(int $seconds): self
    {
        return new self($this->seconds + $seconds);
    }

    public function plusDays(int $days): self
    {
        return new self($this->seconds + $days * CivilDate::SECONDS_PER_DAY);
    }

    /** `2026-11-02` */
    public function toDate(): string
    {
        return gmdate('Y-m-d', $this->seconds);
    }

    /** `2026-11-02T09:30`; seconds are left out. */
    public function toMinute(): string
    {
        return gmdate('Y-m-d\TH:i', $this->seconds);
    }

    /** `2026-11-02T09:30:00` */
    public function toDateTime(): string
    {
        return gmdate('Y-m-d\TH:i:s', $this->seconds);
    }

    /** `20261102`, as iCalendar writes it. */
    public function toBasicDate(): string
    {
        return gmdate('Ymd', $this->seconds);
    }

    /** `20261102T093000`, as iCalendar writes it. */
    public function toBasicDateTime(): string
    {
        return gmdate('Ymd\THis', $this->seconds);
    }
}

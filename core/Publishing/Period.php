<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** From when to when something is published, told anew each day. */
final readonly class Period
{
    public const MOST_WEEKS = 260;

    private function __construct(private ?int $weeksBack, private ?int $weeksOn, private bool $isYear)
    {
    }

    public static function all(): self
    {
        return new self(null, null, false);
    }

    /**
     * Whole weeks from Monday on: that of the day, so many before it and so many after.
     *
     * @throws InvalidPeriod where there are fewer than none of them, or too many
     */
    public static function weeks(int $back, int $on): self
    {
        if ($back < 0 || $on < 0 || $back > self::MOST_WEEKS || $on > self::MOST_WEEKS) {
            throw new InvalidPeriod($back, $on);
        }

        return new self($back, $on, false);
    }

    /** The school's year in which the day is. */
    public static function schoolYear(): self
    {
        return new self(null, null, true);
    }

    /**
     * The part of a window that is published on a day; null where none of it is.
     *
     * @param  LocalDateTime  $from  midnight of the first day
     * @param  LocalDateTime  $to  midnight of the day after the last
     * @param  int  $firstMonth  of the school's year: 1 is January
     * @return array{LocalDateTime, LocalDateTime}|null
     */
    public function within(LocalDateTime $from, LocalDateTime $to, LocalDateTime $today, int $firstMonth): ?array
    {
        [$first, $end] = $this->bounds($today, $firstMonth);
        $begins = max($from->day(), $first ?? $from->day());
        $ends = min($to->day(), $end ?? $to->day());

        return $begins < $ends ? [LocalDateTime::midnight($begins), LocalDateTime::midnight($ends)] : null;
    }

    /** @return array{?int, ?int} the first day and the one after the last; null where there is no bound */
    private function bounds(LocalDateTime $today, int $firstMonth): array
    {
        if ($this->weeksBack !== null && $this->weeksOn !== null) {
            $monday = CivilDate::monday($today->day());

            return [$monday - 7 * $this->weeksBack, $monday + 7 * ($this->weeksOn + 1)];
        }
        if (! $this->isYear) {
            return [null, null];
        }
        [$year, $month] = array_map(intval(...), explode('-', $today->toDate()));
        $begins = $month >= $firstMonth ? $year : $year - 1;

        return [self::first($begins, $firstMonth), self::first($begins + 1, $firstMonth)];
    }

    private static function first(int $year, int $month): int
    {
        return LocalDateTime::parse(sprintf('%04d-%02d-01', $year, $month))->day();
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** What a line says of when: days, hours, how often and how long, gathered as they are read. Days are day numbers. */
final class FoundWhen
{
    public ?int $day = null;

    public ?int $lastDay = null;

    /** Whether the days go by their names alone: “mon–fri”. */
    public bool $byWeekday = false;

    /** Minutes from midnight. */
    public ?int $from = null;

    /** Minutes from the midnight of the first day; where an hour of a last day was said, of that. */
    public ?int $to = null;

    /** Whether the first and the last day have an hour of their own each: “mon 7pm to tue 1am”. */
    public bool $fromDayToDay = false;

    /** Part of the day: morning, afternoon or evening; empty where none was said. */
    public string $part = '';

    /** In minutes. */
    public ?int $length = null;

    public int $lengthDays = 0;

    public int $lengthWeeks = 0;

    public ?RepeatPhrase $repeat = null;

    /** The last day of a repeat, inclusive. */
    public ?int $until = null;

    public ?int $count = null;

    /** The weeks of school to which a repeat is kept. */
    public ?TermWeeks $within = null;

    public bool $wholeDays = false;

    /** A moment and no length: “due by 5pm”. */
    public bool $moment = false;

    /** What days that each have an hour mean; null where there is nothing to choose. */
    public ?SpanReading $reading = null;

    public function nothing(): bool
    {
        return $this->day === null && $this->from === null && $this->repeat === null && ! $this->wholeDays && $this->lengthDays === 0 && $this->lengthWeeks === 0;
    }

    /**
     * Start and end (exclusive), and whether it lasts whole days.
     *
     * @return array{?LocalDateTime, ?LocalDateTime, bool}
     */
    public function settle(LocalDateTime $now, SpanReading $wanted): array
    {
        if ($this->nothing()) {
            return [null, null, false];
        }
        $timed = $this->from !== null && ! $this->wholeDays;
        $day = $this->day ?? $this->dayOfHour($now);
        $this->weekdaysOfRepeat($now, $day);
        if ($timed && $this->repeat === null && ! $this->fromDayToDay) {
            $this->eachDay($day, $wanted);
        }
        if ($this->repeat !== null) {
            $day = $this->repeat->firstFrom($day);
            $days = $this->lengthDays + $this->lengthWeeks * 7;
            $this->until = $days > 0 && $this->count === null ? $day + $days - 1 : $this->until;
        }
        if (! $timed) {
            $days = max(1, $this->lengthDays + $this->lengthWeeks * 7);
            $last = $this->lastDay ?? ($this->repeat === null ? $day + $days - 1 : $day);

            return [self::at($day, 0), self::at($last + 1, 0), true];
        }
        $from = (int) $this->from;
        if ($this->fromDayToDay && $this->lastDay !== null) {
            return [self::at($day, $from), self::at($this->lastDay, $this->to ?? 24 * 60), false];
        }
        $end = $this->to ?? $from + ($this->moment ? 0 : $this->length ?? 60);
        $oneLong = $this->reading === SpanReading::OneLong ? ($this->lastDay ?? $day + max(1, $this->lengthDays + $this->lengthWeeks * 7) - 1) : $day;

        return [self::at($day, $from), self::at($oneLong, $end), false];
    }

    /** A time that is past today is meant tomorrow. */
    private function dayOfHour(LocalDateTime $now): int
    {
        return $now->day() + ($this->repeat === null && $this->from !== null && $this->from * 60 <= $now->secondOfDay() ? 1 : 0);
    }

    /** “mon–fri 8:45 every week” is each of these days. */
    private function weekdaysOfRepeat(LocalDateTime $now, int &$day): void
    {
        if ($this->repeat !== null && $this->day !== null && $this->lastDay !== null && ! $this->fromDayToDay) {
            $days = $this->repeat->onDaysBetween($this->day, $this->lastDay);
            if ($days !== null) {
                $this->repeat = $days;
                $this->lastDay = null;
                $day = $this->byWeekday ? $now->day() : $day;
            }
        }
    }

    /** Several days with one hour are so many times, or where so chosen a single one that goes on. */
    private function eachDay(int $day, SpanReading $wanted): void
    {
        $days = $this->lastDay === null ? $this->lengthDays : $this->lastDay - $day + 1;
        if ($days < 2 && $this->lengthWeeks === 0) {
            return;
        }
        $this->reading = $wanted;
        if ($wanted === SpanReading::EachDay) {
            $this->repeat = $this->lengthWeeks > 0 ? RepeatPhrase::weekly() : RepeatPhrase::daily();
            $this->count = $this->lengthWeeks > 0 ? null : $days;
        }
    }

    private static function at(int $day, int $minutes): LocalDateTime
    {
        return new LocalDateTime($day * CivilDate::SECONDS_PER_DAY + $minutes * 60);
    }
}

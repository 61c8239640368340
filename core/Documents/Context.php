<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\ClockWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;

/** From which day on dates are meant that do not say their year, and which month or day what follows is of: as the headings above it say. */
final readonly class Context
{
    /**
     * @param  LocalDateTime  $from  a day and month alone is the next one from here on
     * @param  ?int  $month  that the days beneath are of; null where none was said
     * @param  ?int  $day  day number that the hours beneath are of; null likewise
     */
    public function __construct(public LocalDateTime $from, public ?int $month = null, public ?int $day = null)
    {
    }

    public function ofYear(int $year): self
    {
        return new self(LocalDateTime::midnight(CivilDate::toDays($year, 1, 1)));
    }

    /** @param  int  $day  the first of it, as CivilDate counts */
    public function ofMonth(int $day): self
    {
        return new self(LocalDateTime::midnight($day), CivilDate::fromDays($day)[1]);
    }

    public function ofDay(int $day): self
    {
        return new self($this->from, null, $day);
    }

    /** “September 2026”, to be put behind the day of it; empty where no month was said. */
    public function monthWords(): string
    {
        return $this->month === null ? '' : WhenWords::month($this->from->day());
    }

    /** A text with the month or the day that the heading above it says, where it says none itself. */
    public function dated(string $text): string
    {
        $hour = '(?:'.ClockWords::SAID.'|\d{1,2}[.:]\d\d)';
        if ($this->day !== null && preg_match('/^'.$hour.'/iu', $text) === 1) {
            return LocalDateTime::midnight($this->day)->toDate().' '.$text;
        }
        $month = $this->monthWords();
        if ($month !== '' && preg_match('/^(?:(?<weekday>'.DateWords::WEEKDAY.')[.,]?\s)?(?<day>\d{1,2})(?:st|nd|rd|th)?(?:\s?(?:-|–|to)\s?(?:'.DateWords::WEEKDAY.'\s)?(?<last>\d{1,2})(?:st|nd|rd|th)?)?(?=[\s,:–-]|$)(?!\s'.DateWords::MONTH.'|[:.]\d|\s?[ap]m)/iu', $text, $found) === 1) {
            $weekday = $found['weekday'] === '' ? '' : $found['weekday'].' ';
            $days = ($found['last'] ?? '') === '' ? "{$weekday}{$found['day']} {$month}" : "{$found['day']} to {$found['last']} {$month}";

            return $days.substr($text, strlen($found[0]));
        }

        return $text;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/**
 * A length of time (RFC 5545, 3.3.6): nominal days, which keep the wall time over a clock change,
 * then exact seconds, which do not.
 */
final readonly class Duration
{
    public function __construct(public int $days, public int $seconds)
    {
    }

    /** @throws InvalidTime */
    public static function parse(string $text): self
    {
        $pattern = '/^([+-]?)P(?:(\d{1,6})W)?(?:(\d{1,6})D)?(?:T(?:(\d{1,8})H)?(?:(\d{1,8})M)?(?:(\d{1,10})S)?)?$/Di';
        if (preg_match($pattern, trim($text), $m) !== 1 || strlen(rtrim($m[0], 'T')) < 3) {
            throw new InvalidTime("“{$text}” is no duration.");
        }
        $sign = $m[1] === '-' ? -1 : 1;
        $part = static fn (int $index): int => (int) ($m[$index] ?? 0);

        return new self($sign * ($part(2) * 7 + $part(3)), $sign * ($part(4) * 3600 + $part(5) * 60 + $part(6)));
    }

    /** As RFC 5545, 3.3.6 writes it: `P1DT5400S`, `-PT900S`. Days and seconds of two signs become seconds. */
    public function __toString(): string
    {
        [$days, $seconds] = $this->days * $this->seconds < 0 ? [0, $this->days * CivilDate::SECONDS_PER_DAY + $this->seconds] : [$this->days, $this->seconds];
        $size = ($days === 0 ? '' : abs($days).'D').($seconds === 0 && $days !== 0 ? '' : 'T'.abs($seconds).'S');

        return ($days < 0 || $seconds < 0 ? '-' : '').'P'.$size;
    }

    /** In whole days: a part of one is one. */
    public function inDays(): self
    {
        return $this->seconds === 0 ? $this : new self($this->days + -CivilDate::floorDiv(-$this->seconds, CivilDate::SECONDS_PER_DAY), 0);
    }

    public function addTo(EventTime $time): EventTime
    {
        return $time->at($time->local->plusDays($this->days))->plusExactSeconds($this->seconds);
    }
}

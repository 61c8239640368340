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

    public function addTo(EventTime $time): EventTime
    {
        return $time->at($time->local->plusDays($this->days))->plusExactSeconds($this->seconds);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Invitations;

use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Hours of the day at which nobody is written to about what can wait, on the clock of whoever it is for. */
final readonly class QuietHours
{
    private const DAY = 86_400;

    /** @param  int  $to  exclusive; both in seconds of the day, and over midnight where it is before $from */
    private function __construct(private int $from, private int $to)
    {
    }

    /** @return ?self of “22–7” or “21:30-6:45”; null where nothing is said, or nothing that can be read */
    public static function parse(string $text): ?self
    {
        if (preg_match('/^\s*(\d{1,2})(?::(\d\d))?\s*[-–]\s*(\d{1,2})(?::(\d\d))?\s*$/u', $text, $found) !== 1) {
            return null;
        }
        [$from, $to] = [(int) $found[1] * 3600 + (int) $found[2] * 60, (int) $found[3] * 3600 + (int) ($found[4] ?? 0) * 60];

        return $from >= self::DAY || $to >= self::DAY || $from === $to ? null : new self($from, $to);
    }

    /**
     * When it is over.
     *
     * @param  int  $now  UTC seconds
     * @return ?int UTC seconds; null where it is not quiet
     */
    public function over(int $now, Zone $zone): ?int
    {
        $local = new LocalDateTime($zone->toLocal($now));
        $second = $local->secondOfDay();
        $isQuiet = $this->from < $this->to ? $second >= $this->from && $second < $this->to : $second >= $this->from || $second < $this->to;

        return $isQuiet ? $zone->toUtc(LocalDateTime::midnight($local->day() + ($second < $this->to ? 0 : 1))->seconds + $this->to) : null;
    }
}

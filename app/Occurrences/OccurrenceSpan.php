<?php

namespace App\Occurrences;

/**
 * Classes of how long occurrences last, so that the ones that overlap a window are a few ranges of starts
 * in the index instead of everything that began before its end.
 */
final class OccurrenceSpan
{
    private const DAY = 86400;

    /** The longest of each class, in seconds; the last class has no bound. */
    public const LONGEST = [0 => self::DAY, 1 => 8 * self::DAY, 2 => 64 * self::DAY, 3 => null];

    public static function of(int $seconds): int
    {
        foreach (self::LONGEST as $class => $longest) {
            if ($longest === null || $seconds <= $longest) {
                return $class;
            }
        }

        return array_key_last(self::LONGEST);
    }
}

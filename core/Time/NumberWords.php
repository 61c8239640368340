<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** Small numbers as people write them: “two”, “a”, “12”. */
final class NumberWords
{
    /** A number of at most three figures, or a word for one up to twelve, as a part of a pattern. */
    public const PATTERN = '(?:\d{1,3}|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)';

    /** The hours of a clock in words, as a part of a pattern. */
    public const HOUR = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)';

    private const WORDS = ['a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12, 'quarter' => 15, 'twenty' => 20, 'twenty-five' => 25, 'half' => 30];

    /** 0 where the text is no number. */
    public static function read(string $text): int
    {
        return self::WORDS[mb_strtolower(trim($text))] ?? (int) $text;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What is in a column of a table, for the most part. */
final readonly class ColumnContents
{
    private const NO_HOUR = '/^(?:(?:all|whole)[\s-]?day|tb[acd]|to be (?:confirmed|announced|arranged)|n\/?a|various|\?+|[-–—]+)\.?$/iu';

    /**
     * @param  bool  $days  whether they say days
     * @param  bool  $hours  whether they say hours, and no days
     * @param  bool  $weekdays  whether they are names of weekdays
     * @param  bool  $parts  whether they are parts of the day
     * @param  bool  $places  whether they are places that are known
     * @param  bool  $words  whether they have words in them
     */
    private function __construct(public bool $days, public bool $hours, public bool $weekdays, public bool $parts, public bool $places, public bool $words)
    {
    }

    /** @param  list<string>  $cells  that say something */
    public static function of(array $cells, Reading $reading, Context $context): self
    {
        $count = count($cells);
        // Where an hour would stand, what lasts all day says so, and what is not settled, too.
        $hoursSaid = count(array_filter($cells, static fn (string $cell): bool => preg_match(self::NO_HOUR, $cell) !== 1));
        $mostly = static fn (callable $is): bool => $count > 0 && 2 * count(array_filter($cells, $is)) > $count;
        $when = array_combine(array_keys($cells), array_map(static fn (string $cell): ?CellWhen => CellWhen::of($cell, $reading, $context), $cells));
        $known = array_map(mb_strtolower(...), $reading->words->places);
        $days = 2 * count(array_filter($when, static fn (?CellWhen $each): bool => $each?->day !== null)) >= max(1, $count);

        return new self(
            $days && ! $mostly(CellWhen::isWeekday(...)),
            ! $days && 2 * count(array_filter($when, static fn (?CellWhen $each): bool => $each !== null && $each->day === null && $each->from !== null)) > $hoursSaid && $hoursSaid > 0,
            $mostly(CellWhen::isWeekday(...)),
            $mostly(static fn (string $cell): bool => preg_match('/^(?:am|pm|morning|afternoon|eve(?:ning)?)$/iu', $cell) === 1),
            $mostly(static fn (string $cell): bool => in_array(mb_strtolower($cell), $known, true)),
            $mostly(static fn (string $cell): bool => preg_match('/\p{L}{2}/u', $cell) === 1),
        );
    }
}

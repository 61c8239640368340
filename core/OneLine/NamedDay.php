<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\LocalDateTime;

/** A day, or some in a row, that goes by a name: a holiday, half-term, the day of the fair. */
final readonly class NamedDay
{
    public function __construct(public string $name, public LocalDateTime $first, public int $days = 1)
    {
    }

    public function firstDay(): int
    {
        return $this->first->day();
    }

    /** The last one, inclusive. */
    public function lastDay(): int
    {
        return $this->firstDay() + $this->days - 1;
    }

    /** The last day of what goes on until then, inclusive: a single day is the last itself, some in a row are not in it. */
    public function until(): LocalDateTime
    {
        return LocalDateTime::midnight($this->days === 1 ? $this->firstDay() : $this->firstDay() - 1);
    }

    /** As a part of a pattern: apostrophes and hyphens as one likes. */
    public function pattern(): string
    {
        return (string) preg_replace(['/[’\']/u', '/(?:\\\\-|\\\\?\s)+/u'], ['[’\']', '[\\s-]'], preg_quote($this->name, '/'));
    }
}

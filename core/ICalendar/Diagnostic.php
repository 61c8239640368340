<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** Something wrong in an iCalendar file, and what was done about it. */
final readonly class Diagnostic
{
    /** @param  int  $line the line of the file, counted from 1 before unfolding; 0 where it concerns the whole */
    public function __construct(
        public int $line,
        public string $property,
        public string $problem,
        public Outcome $outcome,
    ) {
    }

    public function __toString(): string
    {
        return sprintf('%s%s%s (%s)', $this->line === 0 ? '' : "line {$this->line}: ", $this->property === '' ? '' : $this->property.': ', $this->problem, $this->outcome->value);
    }
}

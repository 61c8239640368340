<?php

namespace App\Changes;

/** That something has changed: of which calendar, and on which days; nothing else. */
final readonly class MarkData
{
    /**
     * @param  string  $mark  Another for each change: one that came before says nothing new
     * @param  ?string  $calendar  The slug of the calendar whose events have changed; null: what one may see, or chooses from
     * @param  ?string  $firstDay  The first day that is touched, in whatever time zone one looks; null: any day before
     * @param  ?string  $lastDay  The last day that is touched; null: any day after
     */
    public function __construct(
        public string $mark,
        public ?string $calendar,
        public ?string $firstDay,
        public ?string $lastDay,
    ) {
    }

    public static function ofAccess(string $mark): self
    {
        return new self($mark, null, null, null);
    }
}

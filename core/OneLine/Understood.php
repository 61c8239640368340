<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\LocalDateTime;

/** What was understood of a line; all that was not is its title. */
final readonly class Understood
{
    /**
     * @param  ?LocalDateTime  $start  on the wall of the writer; null where no day and no time was said, or one was said that there is not
     * @param  ?LocalDateTime  $end  exclusive; of an all-day event the day after its last
     * @param  ?string  $rule  RRULE without its end (RFC 5545, 3.3.10)
     * @param  ?LocalDateTime  $until  the last day of the repeat, inclusive
     * @param  ?int  $count  how many times it repeats
     * @param  list<string>  $categories
     * @param  list<int>  $people  who take part, by id
     * @param  list<int>  $groups
     * @param  list<int>  $responsible  people, by id
     * @param  list<int>  $rooms  where it is, of the places that are rooms, by id
     * @param  ?string  $calendar  the slug of the one that was named
     * @param  list<Piece>  $pieces  in the order of the line
     * @param  list<Doubt>  $doubts  in the order of the line
     * @param  ?SpanReading  $reading  how several days with one hour were read; null where there is nothing to choose
     * @param  ?TermWeeks  $within  the weeks of school to which the repeat is kept
     */
    public function __construct(
        public string $title,
        public ?LocalDateTime $start,
        public ?LocalDateTime $end,
        public bool $allDay,
        public ?string $rule,
        public ?LocalDateTime $until,
        public ?int $count,
        public string $place,
        public array $categories,
        public array $people,
        public array $groups,
        public array $responsible,
        public array $rooms,
        public ?string $calendar,
        public bool $provisional,
        public bool $private,
        public array $pieces,
        public array $doubts = [],
        public ?SpanReading $reading = null,
        public ?TermWeeks $within = null,
    ) {
    }
}

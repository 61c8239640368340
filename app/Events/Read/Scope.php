<?php

namespace App\Events\Read;

use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What is asked for: some calendars, the days from one to before another as a clock in a zone counts them, and a filter. */
final readonly class Scope
{
    /**
     * @param  list<int>  $calendarIds
     * @param  LocalDateTime  $to  exclusive
     * @param  Filter  $filter  what it does not take is left out
     * @param  list<Filter>  $asked  what else will be asked of the occurrences: so much of them is read
     * @param  ?list<int>  $seriesIds  where only some series are asked for
     * @param  bool  $withPeople  whether who is responsible and who takes part is read, whatever is asked
     */
    public function __construct(
        public array $calendarIds,
        public LocalDateTime $from,
        public LocalDateTime $to,
        public Zone $zone,
        public Filter $filter = new Filter,
        public array $asked = [],
        public ?array $seriesIds = null,
        public bool $withPeople = false,
    ) {
    }

    public function asksText(): bool
    {
        return $this->any(static fn (Filter $each): bool => $each->asksText());
    }

    public function asksPeople(): bool
    {
        return $this->withPeople || $this->any(static fn (Filter $each): bool => $each->asksPeople());
    }

    /** @param  callable(Filter): bool  $asks */
    private function any(callable $asks): bool
    {
        return array_filter([$this->filter, ...$this->asked], $asks) !== [];
    }
}

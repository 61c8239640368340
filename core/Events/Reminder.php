<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\Component;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;

/** When somebody is to be reminded of an event (VALARM, RFC 5545, 3.6.6). */
final readonly class Reminder
{
    /**
     * @param  ?Duration  $offset  from the start, or from the end; negative is before it. Null where a moment is given.
     * @param  ?EventTime  $at  the moment, in UTC, where no offset is given
     * @param  string  $action  DISPLAY, AUDIO, EMAIL, or what else the file says
     * @param  list<Property>  $extra  what else the file says, kept for writing
     * @param  array<string, list<string>>  $parameters  what else the file says of when (of TRIGGER), kept likewise
     * @param  list<Component>  $components  inside it, kept likewise
     */
    public function __construct(
        public ?Duration $offset,
        public bool $fromEnd = false,
        public ?EventTime $at = null,
        public string $action = 'DISPLAY',
        public array $extra = [],
        public array $parameters = [],
        public array $components = [],
    ) {
    }
}

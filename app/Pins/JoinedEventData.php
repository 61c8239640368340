<?php

namespace App\Pins;

/** The calendar on which an event is that was joined. */
final readonly class JoinedEventData
{
    public function __construct(
        public string $calendar,
        public string $name,
    ) {
    }
}

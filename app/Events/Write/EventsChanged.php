<?php

namespace App\Events\Write;

/**
 * What one operation changed: raised once within its transaction, for all that has to follow it. Whoever subscribes sees all
 * of it together, so that what follows from 3,000 events takes a few statements and not as many times a few.
 */
final readonly class EventsChanged
{
    /** @param  list<SeriesChanged>  $series  each series once, in the order in which they were first named */
    public function __construct(public array $series)
    {
    }
}

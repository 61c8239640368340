<?php

namespace App\Events\Write;

/** What some commands have come to, before it is written down. */
final readonly class CarriedOut
{
    /**
     * @param  list<int>  $changed  of each command in their order: the head that it has changed or added
     * @param  array<int, ?SeriesState>  $before  of each series that is another now, by head
     * @param  array<int, ?SeriesState>  $after  of the same
     */
    public function __construct(public array $changed, public array $before, public array $after)
    {
    }
}

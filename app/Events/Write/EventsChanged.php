<?php

namespace App\Events\Write;

/**
 * What one operation changed: raised once within its transaction, for all that has to follow it. Whoever subscribes sees all
 * of it together, so that what follows from 3,000 events takes a few statements and not as many times a few.
 */
final readonly class EventsChanged
{
    /**
     * @param  list<SeriesChanged>  $series  each series once, in the order in which they were first named
     * @param  ?int  $operationId  under which it is written down, where it is
     * @param  bool  $isBack  whether that operation is undone by it
     */
    public function __construct(public array $series, public Telling $telling = Telling::Gathered, public ?int $operationId = null, public bool $isBack = false)
    {
    }

    /** Whether those whom it concerns are told by mail. */
    public function isTold(): bool
    {
        return $this->telling !== Telling::Quietly;
    }
}

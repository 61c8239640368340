<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\EventTime;

/** An extra start of a series (RDATE, RFC 5545, 3.8.5.2); one given as a PERIOD has an end of its own. */
final readonly class ExtraDate
{
    /** @param  ?EventTime  $end  exclusive; null where it lasts as long as the series says */
    public function __construct(public EventTime $start, public ?EventTime $end = null)
    {
    }

    /** The same, its wall times moved by this many seconds. */
    public function shiftedBy(int $seconds): self
    {
        return new self(
            $this->start->at($this->start->local->plusSeconds($seconds)),
            $this->end?->at($this->end->local->plusSeconds($seconds)),
        );
    }
}

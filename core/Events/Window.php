<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** A span of time as a clock in a zone counts it, end exclusive; what is no instant is held against that clock's wall. */
final readonly class Window
{
    private int $utcFrom;

    private int $utcTo;

    /** On the index's axis, wide enough for instants, dates and floating times; inclusive. */
    public int $axisFrom;

    /** Exclusive. */
    public int $axisTo;

    public function __construct(private LocalDateTime $from, private LocalDateTime $to, Zone $zone)
    {
        $this->utcFrom = $zone->toUtc($from->seconds);
        $this->utcTo = $zone->toUtc($to->seconds);
        $this->axisFrom = min($this->utcFrom, $from->seconds);
        $this->axisTo = max($this->utcTo, $to->seconds);
    }

    /** Whether what lies there on the axis overlaps the window; what has no length counts where it starts. */
    public function holds(TimeKind $kind, int $starts, int $ends): bool
    {
        [$begin, $end] = $kind === TimeKind::Zoned ? [$this->utcFrom, $this->utcTo] : [$this->from->seconds, $this->to->seconds];

        return $starts < $end && ($ends > $begin || ($ends === $starts && $starts >= $begin));
    }
}

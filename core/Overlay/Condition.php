<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** One thing that a layer asks of an event. */
interface Condition
{
    /** Whether it holds; null where the viewer may not know, so that neither it nor its opposite takes the event. */
    public function holds(EventFacts $event): ?bool;
}

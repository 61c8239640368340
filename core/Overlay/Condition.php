<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** One thing that a layer asks of an event. */
interface Condition
{
    /** What has to be known of an event beyond what is drawn of it; null where nothing has. */
    public function asks(): ?Asked;

    /** Whether it holds; null where the viewer may not know, so that neither it nor its opposite takes the event. */
    public function holds(EventFacts $event): ?bool;

    /** What an event needs for it to hold, as far as that is one thing. */
    public function begin(Begun $begun): Begun;
}

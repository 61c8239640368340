<?php

namespace App\Events;

use App\Access\Sight;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\RecurrenceSet;

/** An independent copy of what a viewer sees of an event. */
final class EventCopy
{
    public function __construct(private readonly SeenEvents $seen)
    {
    }

    /** @param  ?Occurrence  $occurrence  where that one time is meant */
    public function of(Event $head, Series $series, ?Occurrence $occurrence, string $uid, Sight $sight): Series
    {
        if ($occurrence !== null) {
            return new Series($occurrence->event->beginningAt($occurrence, new RecurrenceSet)->copied($uid));
        }
        foreach ($series->overrides as $event) {
            // What is hidden of a series is not copied.
            if ($series->master !== null && $this->seen->visibility($head, $event, $head->created_by, $sight) !== Visibility::Full) {
                $series = OccurrenceChanges::withoutChanged($series, $event);
            }
        }

        return $series->each(static fn (CoreEvent $event): CoreEvent => $event->copied($uid));
    }
}

<?php

namespace App\Copies;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** An independent copy of what a viewer sees of an event. */
final class EventCopy
{
    public function __construct(private readonly SeenSeries $seen)
    {
    }

    /**
     * @param  ?Occurrence  $occurrence  where that one time is meant
     *
     * @throws AccessDeniedHttpException where the contents of what is meant are hidden from the viewer
     */
    public function of(EventRecord $head, Series $series, ?Occurrence $occurrence, string $uid, Perspective $perspective): Series
    {
        $visibility = fn (Event $event): Visibility => $this->seen->visibility($head, $event, $perspective);
        $this->seen->demandFull($visibility($occurrence->event ?? $series->events()[0]));
        if ($occurrence !== null) {
            return new Series($occurrence->event->beginningAt($occurrence, new RecurrenceSet)->copied($uid));
        }
        foreach ($series->overrides as $event) {
            // What is hidden of a series is not copied.
            if ($series->master !== null && $visibility($event) !== Visibility::Full) {
                $series = OccurrenceChanges::withoutChanged($series, $event);
            }
        }

        return $series->each(static fn (Event $event): Event => $event->copied($uid));
    }
}

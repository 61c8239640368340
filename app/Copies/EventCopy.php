<?php

namespace App\Copies;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Meetings\Meetings;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** An independent copy of what a viewer sees of an event. */
final class EventCopy
{
    public function __construct(private readonly SeenSeries $seen, private readonly Meetings $meetings)
    {
    }

    /**
     * @param  ?Occurrence  $occurrence  where that one time is meant
     *
     * @throws AccessDeniedHttpException where the contents of what is meant are hidden from the viewer
     */
    public function of(EventRecord $head, Series $series, ?Occurrence $occurrence, string $uid, Perspective $perspective): Series
    {
        if ($occurrence === null) {
            return $this->meetings->renewed($this->seen($head, $series, $perspective)->each(static fn (Event $event): Event => $event->copied($uid)));
        }
        $this->seen->demandFull($this->seen->visibility($head, $occurrence->event, $perspective));

        return $this->meetings->renewed(new Series($occurrence->event->alone($occurrence)->copied($uid)));
    }

    /**
     * A series without the times of it that are hidden from the viewer, which do not come back as they were before.
     *
     * @throws AccessDeniedHttpException where it is hidden from them as such
     */
    public function seen(EventRecord $head, Series $series, Perspective $perspective): Series
    {
        $this->seen->demandFull($this->seen->asSuch($head, $perspective));
        foreach ($series->overrides as $event) {
            if ($series->master !== null && $this->seen->visibility($head, $event, $perspective) !== Visibility::Full) {
                $series = OccurrenceChanges::withoutChanged($series, $event);
            }
        }

        return $series;
    }
}

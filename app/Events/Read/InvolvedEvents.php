<?php

namespace App\Events\Read;

use App\Access\Perspective;
use Illuminate\Database\Query\Builder;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;

/** Asks the database what PinnedRota\Core\Access\Involvement and Visibility say of one event, for questions about many. */
final class InvolvedEvents
{
    /** Leaves the events with which a viewer has to do. */
    public function constrain(Builder $query, Viewer $viewer, string $events): Builder
    {
        if ($viewer->personId === null) {
            return $query->whereRaw('0 = 1');
        }

        return $query->where("{$events}.created_by", $viewer->personId)
            ->orWhereExists(fn (Builder $takesPart) => $takesPart->from('event_participants as part')->whereColumn('part.event_id', "{$events}.id")->where('part.organizer', false)
                ->where(fn (Builder $one) => $one->where('part.person_id', $viewer->personId)->orWhereIntegerInRaw('part.group_id', $viewer->groupIds)))
            ->orWhereExists(fn (Builder $joined) => $joined->from('event_pins as own')->whereRaw("own.event_id = COALESCE({$events}.series_id, {$events}.id)")
                ->where('own.pinned_by', $viewer->personId)->where('own.joined', true));
    }

    /** Leaves the events whose contents a viewer sees by their own calendars: private ones only where they may change them, or have to do with them. */
    public function constrainToFull(Builder $query, Perspective $perspective, string $events): Builder
    {
        return $query->whereIntegerInRaw("{$events}.calendar_id", $perspective->calendarIds(Level::See))
            ->where(fn (Builder $seen) => $seen->where("{$events}.private", false)->orWhereIntegerInRaw("{$events}.calendar_id", $perspective->calendarIds(Level::Change))
                ->orWhere(fn (Builder $involved) => $this->constrain($involved, $perspective->viewer, $events)));
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Series;

/** A row that comes again, laid over the event that it made: what it says is so, what it does not say stays as somebody has put it since. */
final class RowOver
{
    public static function of(Series $now, Series $said): Series
    {
        $row = $said->master;
        if ($now->master === null || $row === null) {
            return $said;
        }

        // What somebody has made of it since, such as a series, stays as long as it begins where the row says.
        $isThere = $now->master->timing->repeats() && $now->master->timing->start->equals($row->timing->start);

        return $isThere ? new Series(self::event($now->master, $row->with(timing: $now->master->timing)), $now->overrides) : new Series(self::event($now->master, $row));
    }

    private static function event(Event $now, Event $row): Event
    {
        [$is, $says] = [$now->contents, $row->contents];

        return $now->with(
            timing: $row->timing,
            contents: new EventContents(
                $says->title, $says->place === '' ? $is->place : $says->place, $says->description === '' ? $is->description : $says->description, $says->link === '' ? $is->link : $says->link,
                $says->status, $is->busy, $is->private, $says->categories === [] ? $is->categories : $says->categories, $is->priority, $is->colour,
            ),
            participants: $row->participants === [] ? $now->participants : Participants::put($now->participants, $row->participants),
        );
    }
}

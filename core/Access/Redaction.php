<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Publishing\Detail;

/** The one place that blanks what a viewer may not see: only that and when the time is taken is left. */
final class Redaction
{
    public const TITLE = 'Busy';

    /** The event as a viewer of busy times has it, or null where it is hidden altogether. */
    public static function event(Event $event, Visibility $visibility): ?Event
    {
        return match ($visibility) {
            Visibility::Full => $event,
            Visibility::Hidden => null,
            Visibility::BusyOnly => new Event(
                // Another UID, so that what is seen elsewhere under this one is not given away.
                uid: hash('sha256', 'busy|'.$event->uid).'@busy.invalid',
                timing: $event->timing->inOneZone(),
                contents: new EventContents(self::TITLE),
                recurrenceId: $event->recurrenceId,
                andFollowing: $event->andFollowing,
                stamp: $event->stamp,
            ),
        };
    }

    /** The event as somebody has it who is only asked to it: of those who take part it names them alone, the groups that they are in, and who is responsible. */
    public static function othersAsked(Event $event, Viewer $viewer): Event
    {
        return $event->with(participants: array_values(array_filter($event->participants, static fn (Participant $each): bool => $each->role === ParticipantRole::Responsible || ($each->party !== null && Involvement::standsFor($each->party, $viewer)))));
    }

    /**
     * The series as a viewer has it: each of its events blanked on its own. A changed time that is hidden is left out, and
     * does not come back as it was before; without its master nothing of it is left.
     *
     * @param  callable(Event): Visibility  $visibility  of each event
     */
    public static function series(Series $series, callable $visibility): ?Series
    {
        $master = $series->master === null ? null : self::event($series->master, $visibility($series->master));
        if ($series->master !== null && $master === null) {
            return null;
        }
        $seen = $master === null ? null : new Series($master);
        $overrides = [];
        foreach ($series->overrides as $override) {
            $shown = self::event($override, $visibility($override));
            if ($shown !== null) {
                $overrides[] = $shown;
            } elseif ($seen !== null) {
                $seen = OccurrenceChanges::withoutChanged($seen, $override);
            }
        }

        return $seen === null && $overrides === [] ? null : new Series($seen?->master, $overrides);
    }

    /**
     * What is seen of an occurrence, as it is published: who added it is told to nobody, nor by which name it is known elsewhere.
     * Of busy times what leaves the time free is none.
     */
    public static function published(IndexedOccurrence $seen, Detail $detail): ?IndexedOccurrence
    {
        return ! $detail->tellsWhat() && ! $seen->busy ? null : new IndexedOccurrence(
            $seen->calendarId, $seen->eventId, $seen->seriesId, $seen->recurrenceId, $seen->starts, $seen->ends, $seen->kind,
            $detail->tellsWhat() ? $seen->title : self::TITLE, $detail->tellsWhere() ? $seen->place : '', $detail->tellsWhat() ? $seen->status : Status::Confirmed,
            $seen->busy, false, false, null, $detail->tellsWhere() ? $seen->categoryIds : [], $seen->uid, false, $seen->homeCalendarId, $detail->tellsWhat() ? $seen->colour : null, $seen->moreFollow,
        );
    }

    /** One occurrence as a viewer of busy times has it, or null where it is hidden altogether. */
    public static function occurrence(IndexedOccurrence $occurrence, Visibility $visibility): ?IndexedOccurrence
    {
        return match ($visibility) {
            Visibility::Full => $occurrence,
            Visibility::Hidden => null,
            Visibility::BusyOnly => new IndexedOccurrence(
                $occurrence->calendarId, $occurrence->eventId, $occurrence->seriesId, $occurrence->recurrenceId,
                $occurrence->starts, $occurrence->ends, $occurrence->kind,
                self::TITLE, '', Status::Confirmed, true, false, false, null, [], '', false, $occurrence->calendarId, null, $occurrence->moreFollow,
            ),
        };
    }
}

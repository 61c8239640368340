<?php

namespace App\Feeds;

use App\Calendars\Calendar;
use App\Events\Event;
use App\Events\EventTranslator;
use PinnedRota\Core\Access\Blanking;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarWriter;

/** A calendar as an iCalendar document, with what a level shows of it. */
final class CalendarDocument
{
    public function __construct(private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  resource  $stream
     * @param  ?int  $personId  whose own events show whatever the level
     */
    public function write(mixed $stream, Calendar $calendar, Level $level, ?int $personId, ?int $refreshMinutes): void
    {
        $series = [];
        $heads = Event::query()->where('calendar_id', $calendar->id)->whereNull('series_id')
            ->with(['categories', 'overrides.categories'])->orderBy('id')->lazy(500);
        foreach ($heads as $head) {
            $seen = $this->seen($this->translator->series($head), $level, $personId !== null && $head->created_by === $personId);
            if ($seen !== null) {
                $series[] = $seen;
            }
        }
        (new CalendarWriter($stream))->write($calendar->name, $series, $calendar->revised_at->getTimestamp(), $refreshMinutes);
    }

    private function seen(Series $series, Level $level, bool $isAuthor): ?Series
    {
        $blank = static fn (CoreEvent $event): ?CoreEvent => Blanking::apply($event, Visibility::of($level, $event->private, $event->busy, $isAuthor));
        $master = $series->master === null ? null : $blank($series->master);
        if ($series->master !== null && $master === null) {
            return null;
        }
        $seen = $master === null ? null : new Series($master);
        $overrides = [];
        foreach ($series->overrides as $override) {
            $shown = $blank($override);
            if ($shown !== null) {
                $overrides[] = $shown;
            } elseif ($seen !== null && $override->recurrenceId !== null) {
                // A changed occurrence that is hidden must not come back at its old time.
                $seen = $override->andFollowing ? OccurrenceChanges::endingBefore($seen, $override->recurrenceId) : OccurrenceChanges::skip($seen, $override->recurrenceId);
            }
        }

        return $seen === null && $overrides === [] ? null : new Series($seen?->master, $overrides);
    }
}

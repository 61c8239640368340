<?php

namespace App\Feeds;

use App\Calendars\Calendar;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Events\Event;
use App\Events\EventTranslator;
use App\Pins\Pin;
use Closure;
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
    public function __construct(private readonly EventTranslator $translator, private readonly GroupMemberships $memberships)
    {
    }

    /**
     * @param  resource  $stream
     * @param  ?Person  $person  whose own events, and those they take part in, show though they are private
     */
    public function write(mixed $stream, Calendar $calendar, Level $level, ?Person $person, ?int $refreshMinutes): void
    {
        $series = [];
        $groups = $person === null ? [] : $this->memberships->of($person);
        $heads = Event::query()->whereNull('series_id')
            ->where(fn ($query) => $query->where('calendar_id', $calendar->id)->orWhereIn('id', Pin::query()->where('calendar_id', $calendar->id)->select('event_id')))
            ->with(['categories', 'overrides.categories'])->orderBy('id')->lazy(500);
        foreach ($heads as $head) {
            $isInvolved = static fn (CoreEvent $event): bool => $person !== null && ($head->created_by === $person->id || $event->involves($person->email, $groups));
            $seen = $this->seen($this->translator->series($head), $level, $isInvolved, $head->calendar_id !== $calendar->id);
            if ($seen !== null) {
                $series[] = $seen;
            }
        }
        (new CalendarWriter($stream))->write($calendar->name, $series, $calendar->revised_at->getTimestamp(), $refreshMinutes);
    }

    /** @param  Closure(CoreEvent): bool  $isInvolved */
    private function seen(Series $series, Level $level, Closure $isInvolved, bool $pinned): ?Series
    {
        $blank = static fn (CoreEvent $event): ?CoreEvent => Blanking::apply($event, Visibility::of($level, $event->private, $event->busy, $isInvolved($event), $pinned));
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
            } elseif ($seen !== null) {
                // A changed occurrence that is hidden must not come back at its old time.
                $seen = OccurrenceChanges::withoutChanged($seen, $override);
            }
        }

        return $seen === null && $overrides === [] ? null : new Series($seen?->master, $overrides);
    }
}

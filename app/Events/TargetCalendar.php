<?php

namespace App\Events;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\CategoryNames;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;

/** The calendar that an event is to go on: one that the person may add to. */
final class TargetCalendar
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly CategoryNames $categories)
    {
    }

    /**
     * @param  string  $field  by which it was asked for
     *
     * @throws ValidationException where nothing can be added there
     */
    public function named(string $slug, string $field = 'calendar'): AccessibleCalendar
    {
        $target = $this->viewer->calendars()->first(fn (AccessibleCalendar $each): bool => $each->calendar->slug === $slug);
        if ($target === null || ! $target->mayAdd()) {
            throw ValidationException::withMessages([$field => match (true) {
                $target === null => 'There is no such calendar for you.',
                $target->calendar->isArchived() => 'This calendar is archived; nothing can be added to it.',
                $target->calendar->isSubscribed() => 'The events of this calendar come from outside; none can be added here.',
                default => 'You may look at this calendar, not add to it.',
            }]);
        }

        return $target;
    }

    /** @throws ValidationException where the calendar does not take the categories of a series */
    public function demandCategoriesOf(AccessibleCalendar $calendar, Series $series): void
    {
        $this->demandCategories($calendar, array_values(array_unique(array_merge(...array_map(static fn (Event $event): array => $event->contents->categories, $series->events())))));
    }

    /**
     * @param  list<string>  $names
     *
     * @throws ValidationException where the calendar has no such category and takes no new ones
     */
    public function demandCategories(AccessibleCalendar $calendar, array $names): void
    {
        if ($calendar->calendar->free_categories || $calendar->level() === Level::Manage) {
            return;
        }
        $unknown = $this->categories->unknown($calendar->calendar->id, $names);
        if ($unknown !== []) {
            throw ValidationException::withMessages(['categories' => '“'.implode('”, “', $unknown)."” is no category of {$calendar->calendar->name}, and those who manage it add them."]);
        }
    }
}

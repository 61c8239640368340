<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Recurrence\RecurrenceSet;

/** The one place that blanks what a viewer may not see: only that and when the time is taken is left. */
final class Blanking
{
    public const TITLE = 'Busy';

    /** The event as a viewer of busy times has it, or null where it is hidden altogether. */
    public static function apply(Event $event, Visibility $visibility): ?Event
    {
        return match ($visibility) {
            Visibility::Full => $event,
            Visibility::Hidden => null,
            Visibility::BusyOnly => new Event(
                // Another UID, so that what is seen elsewhere under this one is not given away.
                uid: hash('sha256', 'busy|'.$event->uid).'@busy.invalid',
                title: self::TITLE,
                start: $event->start,
                end: $event->end,
                recurrence: new RecurrenceSet($event->recurrence->rules, $event->recurrence->extraDates, $event->recurrence->skippedDates),
                duration: $event->duration,
                recurrenceId: $event->recurrenceId,
                andFollowing: $event->andFollowing,
            ),
        };
    }

    /**
     * The same for contents that are drawn, told by name: texts and lists become empty, the title a word that tells nothing.
     *
     * @param  array<string, string|list<string>>  $contents
     * @return array<string, string|list<string>>
     */
    public static function contents(array $contents, Visibility $visibility): array
    {
        if ($visibility === Visibility::Full) {
            return $contents;
        }
        foreach ($contents as $name => $value) {
            $contents[$name] = match (true) {
                $name === 'title' => self::TITLE,
                is_array($value) => [],
                default => '',
            };
        }

        return $contents;
    }
}

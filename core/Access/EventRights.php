<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** What a level lets one do with events. */
final class EventRights
{
    /** The level that holds for the events of a calendar: those of a source, and of an archived calendar, are read at most. */
    public static function level(Level $level, bool $subscribed, bool $archived): Level
    {
        return ($subscribed || $archived) && $level->includes(Level::See) ? Level::See : $level;
    }

    public static function mayAdd(Level $level): bool
    {
        return $level->includes(Level::Add);
    }

    /** Change or delete: one's own from Add on, all from Change on. */
    public static function mayChange(Level $level, bool $isAuthor): bool
    {
        return $level->includes($isAuthor ? Level::Add : Level::Change);
    }

    /** What keeps somebody with this level on its calendar from changing an event; null where nothing does. */
    public static function hold(Level $level, bool $isAuthor, bool $subscribed, bool $archived): ?Hold
    {
        return match (true) {
            self::mayChange(self::level($level, $subscribed, $archived), $isAuthor) => null,
            ! $level->includes(Level::See) => Hold::Hidden,
            $subscribed => Hold::Outside,
            $archived => Hold::Archived,
            default => Hold::Level,
        };
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** How much of one event a viewer sees. */
enum Visibility
{
    case Hidden;

    /** That the time is taken, and nothing else. */
    case BusyOnly;

    case Full;

    /**
     * Private events are busy times to all below Edit but their author; events that leave the time free
     * do not show in busy times at all.
     */
    public static function of(Level $level, bool $private, bool $busy, bool $isAuthor): self
    {
        if (! $level->includes(Level::BusyTimes)) {
            return self::Hidden;
        }
        if ($level->includes($private ? Level::Edit : Level::Read) || ($isAuthor && $level->includes(Level::Read))) {
            return self::Full;
        }

        return $busy ? self::BusyOnly : self::Hidden;
    }
}

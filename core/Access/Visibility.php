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
     * Private events are busy times to all below Edit but their author and who takes part in them; events that leave
     * the time free do not show in busy times at all.
     *
     * @param  bool  $isInvolved  whether the viewer added the event or takes part in it
     */
    public static function of(Level $level, bool $private, bool $busy, bool $isInvolved): self
    {
        if (! $level->includes(Level::BusyTimes)) {
            return self::Hidden;
        }
        if ($level->includes($private ? Level::Edit : Level::Read) || ($isInvolved && $level->includes(Level::Read))) {
            return self::Full;
        }

        return $busy ? self::BusyOnly : self::Hidden;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** How much of one event a viewer sees. */
enum Visibility: int
{
    case Hidden = 0;

    /** That the time is taken, and nothing else. */
    case BusyOnly = 1;

    case Full = 2;

    /**
     * By one calendar. Private events are busy times to all below Change but their author and who takes part in them;
     * where they are pinned, Change does not open them. Events that leave the time free do not show in busy times at all.
     *
     * @param  bool  $isInvolved  whether the viewer added the event or takes part in it
     * @param  bool  $pinned  whether the event is on this calendar by a pin
     */
    public static function of(Level $level, bool $private, bool $busy, bool $isInvolved, bool $pinned = false): self
    {
        if (! $level->includes(Level::BusyTimes)) {
            return self::Hidden;
        }
        $opens = $level->includes($private ? Level::Change : Level::See) && ! ($private && $pinned);
        if ($opens || ($isInvolved && $level->includes(Level::See))) {
            return self::Full;
        }

        return $busy ? self::BusyOnly : self::Hidden;
    }

    /** Of an event that is seen by several calendars, the one that shows most counts. */
    public function or(self $other): self
    {
        return $this->value >= $other->value ? $this : $other;
    }

    /** Of an event that is looked at with somebody else's eyes, or shown on by somebody, the lesser of both counts. */
    public function atMost(self $other): self
    {
        return $this->value <= $other->value ? $this : $other;
    }
}

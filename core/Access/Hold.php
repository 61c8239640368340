<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Why somebody may not change an event. */
enum Hold: string
{
    /** Its contents are hidden from them. */
    case Hidden = 'hidden';

    /** It comes from a subscribed source and is changed there. */
    case Outside = 'outside';

    case Archived = 'archived';

    /** Their level does not let them. */
    case Level = 'level';

    /** They see it by a pin alone; it is changed on its own calendar. */
    case Pinned = 'pinned';

    /** They look as somebody else. */
    case Looking = 'looking';

    /** Said to whoever tries. */
    public function words(): string
    {
        return match ($this) {
            self::Hidden => 'What it is is hidden from you, so it stays where it is.',
            self::Outside => 'It comes from outside and is changed there.',
            self::Archived => 'Its calendar is archived, so nothing on it changes.',
            self::Level => 'You may look at this event, not change it.',
            self::Pinned => 'It is pinned here, and is changed on its own calendar.',
            self::Looking => 'You look with somebody else’s eyes; nothing can be changed.',
        };
    }
}

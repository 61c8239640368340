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
}

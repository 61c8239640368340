<?php

namespace App\Following;

/** What somebody follows. */
enum FollowedKind: string
{
    case Calendar = 'calendar';

    /** What has a category on a calendar. */
    case Category = 'category';
    case Overlay = 'overlay';

    /** What somebody takes part in, as far as it is seen. */
    case Person = 'person';
    case Event = 'event';

    /** What they take part in themselves, or ask others to: followed by everybody unless they say otherwise. */
    case Mine = 'mine';
}

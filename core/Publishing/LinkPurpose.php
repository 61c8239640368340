<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** For whom a publication has a link of its own besides its address. */
enum LinkPurpose: string
{
    /** One of the people it is for: they read it as others do at its address. */
    case Person = 'person';

    /** A screen on a wall: it shows today and the week ahead, and opens nothing else. */
    case Screen = 'screen';
}

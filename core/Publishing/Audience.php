<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** To whom something is published. */
enum Audience: string
{
    /** Everybody, at a readable address; may be found by searching. */
    case Everybody = 'everybody';

    /** Whoever has the secret link. */
    case WithTheLink = 'with the link';

    /** People who are named, each by a link of their own. */
    case NamedPeople = 'named people';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** How many of some categories an event is to have. */
enum CategoryMatch: string
{
    case Any = 'any';
    case All = 'all';
    case None = 'none';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** What conditions may ask of an event beyond what is drawn of it. */
enum Asked
{
    /** Its description, with title and place. */
    case Text;

    /** Who is responsible, takes part, or has joined. */
    case People;
}

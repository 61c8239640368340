<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

/** What became of one time of an event, as somebody sees it who was here before. */
enum ChangeKind: string
{
    case Added = 'added';
    case Moved = 'moved';
    case Changed = 'changed';
    case Cancelled = 'cancelled';
}

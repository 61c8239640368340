<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

/** What bringing in a series would do. */
enum Verdict: string
{
    case Added = 'added';
    case Changed = 'changed';
    case Unchanged = 'unchanged';

    /** Known before and not in what came in: only a source that is refreshed takes such events away. */
    case Removed = 'removed';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What a part of a document is. */
enum BlockKind
{
    case Heading;

    /** A paragraph, a line of its own, or an item of a list. */
    case Text;

    case Table;
}

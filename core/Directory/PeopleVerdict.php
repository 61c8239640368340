<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** What becomes of a row of a table of people. */
enum PeopleVerdict: string
{
    case New = 'new';
    case Changed = 'changed';
    case Known = 'known';
    case Refused = 'refused';
}

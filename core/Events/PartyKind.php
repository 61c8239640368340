<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** What of the directory can take part in an event. */
enum PartyKind: string
{
    case Person = 'person';
    case Group = 'group';
    case Room = 'room';
}

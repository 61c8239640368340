<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** What takes part; CUTYPE of an ATTENDEE (RFC 5545, 3.2.3). */
enum ParticipantKind: string
{
    case Person = 'INDIVIDUAL';
    case Group = 'GROUP';
    case Room = 'ROOM';
    case Resource = 'RESOURCE';
    case Unknown = 'UNKNOWN';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** What part somebody takes in an event; ROLE of an ATTENDEE (RFC 5545, 3.2.16), where responsible is CHAIR. */
enum ParticipantRole: string
{
    case Responsible = 'CHAIR';
    case Required = 'REQ-PARTICIPANT';
    case Optional = 'OPT-PARTICIPANT';

    /** Told of the event, and not expected. */
    case Informed = 'NON-PARTICIPANT';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** What somebody answered to an invitation; PARTSTAT of an ATTENDEE (RFC 5545, 3.2.12). */
enum ParticipantAnswer: string
{
    case Unanswered = 'NEEDS-ACTION';
    case Accepted = 'ACCEPTED';
    case Declined = 'DECLINED';
    case Tentative = 'TENTATIVE';
    case Delegated = 'DELEGATED';

    /** Would come, and waits for a place (see Places). Who does not know it takes it for no answer. */
    case Waiting = 'X-WAITING';
}

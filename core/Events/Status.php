<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** How settled an event is; STATUS of a VEVENT (RFC 5545, 3.8.1.11), where provisional is TENTATIVE. */
enum Status: string
{
    case Confirmed = 'confirmed';
    case Provisional = 'provisional';
    case Cancelled = 'cancelled';
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** What the sender of a calendar wants of its reader (RFC 5546, 1.4). */
enum Method: string
{
    case Publish = 'PUBLISH';
    case Request = 'REQUEST';
    case Reply = 'REPLY';
    case Add = 'ADD';
    case Cancel = 'CANCEL';
    case Refresh = 'REFRESH';
    case Counter = 'COUNTER';
    case DeclineCounter = 'DECLINECOUNTER';

    /** Whether what it holds are events, and not what somebody says about one that its organiser has. */
    public function tellsOfEvents(): bool
    {
        return in_array($this, [self::Publish, self::Request, self::Add, self::Cancel], true);
    }
}

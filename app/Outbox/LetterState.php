<?php

namespace App\Outbox;

/** What has become of a letter. */
enum LetterState: string
{
    case Waiting = 'waiting';
    case Sent = 'sent';

    /** It was tried as often as it is, and is tried again by hand only. */
    case Failed = 'failed';

    /** There was nothing to say, or nobody to say it to, when it was its turn. */
    case Dropped = 'dropped';
}

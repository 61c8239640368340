<?php

namespace App\Invitations\Receive;

/** What became of a letter that came in. */
enum Received: string
{
    case Answered = 'answered';
    case Proposed = 'proposed';
    case SentAgain = 'sent again';
    case Bounced = 'bounced';

    /** It is for whoever asked to see. */
    case Listed = 'listed';

    case Ignored = 'ignored';
}

<?php

namespace App\Invitations;

/** Why an answer that came by mail was not counted. */
enum ReplyReason: string
{
    /** It does not have what was sent to whom it says it is from. */
    case Unsigned = 'unsigned';

    /** It is to an earlier time than it is at now. */
    case Outdated = 'outdated';

    /** Somebody else is to come. */
    case Delegated = 'delegated';
}

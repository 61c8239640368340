<?php

namespace App\Invitations;

/** What came back by mail that whoever asked has to see. */
enum ReplyKind: string
{
    /** Another time is proposed. */
    case Proposal = 'proposal';

    /** An answer that was not counted: see ReplyReason. */
    case Answer = 'answer';

    /** Words, with no answer in them that a calendar understands. */
    case Message = 'message';
}

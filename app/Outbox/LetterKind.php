<?php

namespace App\Outbox;

/** What a letter that waits in the outbox is. */
enum LetterKind: string
{
    /** Being asked to take part, what changed of that, or that it is called off. */
    case Invitation = 'invitation';

    /** That a proposed other time was not taken. */
    case ProposalDeclined = 'proposal-declined';

    /** Of an event of which somebody wants to be reminded. */
    case Reminder = 'reminder';
}

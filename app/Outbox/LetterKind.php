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

    /** That somebody is to prepare something from now on. */
    case TasksAssigned = 'tasks-assigned';

    /** What somebody has to prepare that is due. */
    case TasksDue = 'tasks-due';

    /** To who is responsible: how the preparation of an event stands. */
    case PreparationChanged = 'preparation-changed';

    /** That somebody has a place at an event now, or waits for one. */
    case Place = 'place';

    /** What changed with what somebody follows, as it happens. */
    case Notice = 'notice';

    /** What is on, what changed and what waits, each day or each week. */
    case Digest = 'digest';
}

<?php

namespace App\Following;

use PinnedRota\Core\Notices\AnswerGiven;

/** Answers to an event that somebody is told of, and by which ways. */
final readonly class FollowedAnswers
{
    /** @param  non-empty-list<AnswerGiven>  $answers  to one time of it, or all of it */
    public function __construct(public array $answers, public int $series, public int $calendarId, public bool $inInbox, public bool $byMail)
    {
    }
}

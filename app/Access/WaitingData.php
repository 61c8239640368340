<?php

namespace App\Access;

/** What waits for the person. */
final readonly class WaitingData
{
    /**
     * @param  list<InvitationWaitingData>  $invitations
     * @param  list<RequestWaitingData>  $requests
     * @param  list<AnswerWaitingData>  $answers
     */
    public function __construct(
        public array $invitations,
        public array $requests,
        public array $answers,
    ) {
    }
}

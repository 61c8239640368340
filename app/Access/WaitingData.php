<?php

namespace App\Access;

use App\Invitations\ReplyWaitingData;
use App\Participants\AnsweredEventData;
use App\Participants\AskedEventData;
use App\Sources\SourceWaitingData;

/** What waits for the person. */
final readonly class WaitingData
{
    /**
     * @param  list<AskedEventData>  $asked  Events that one is asked to take part in, the next first
     * @param  list<AnsweredEventData>  $answered  Those that one answered of late and that are still to come
     * @param  list<ReplyWaitingData>  $replies  What came back by mail to what one asks others to
     * @param  list<InvitationWaitingData>  $invitations
     * @param  list<RequestWaitingData>  $requests
     * @param  list<AnswerWaitingData>  $answers
     * @param  list<SourceWaitingData>  $sources  That one manages, and that fail or ask something
     */
    public function __construct(
        public array $asked,
        public array $answered,
        public array $replies,
        public array $invitations,
        public array $requests,
        public array $answers,
        public array $sources,
    ) {
    }
}

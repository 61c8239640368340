<?php

namespace App\Invitations;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AnswerOccurrence;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\OperationKind;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;

/** Answers that come by a letter: by its link, or by mail. */
final class InvitationAnswers
{
    public const LONGEST_NOTE = 500;

    public function __construct(private readonly ChangeEvents $changes)
    {
    }

    /**
     * @param  Series  $now  what they are asked to (see InvitedSeries)
     * @param  ?EventTime  $occurrence  the time that is meant; null: all of it
     * @return bool false where there is no such time, or they are asked to nothing
     */
    public function give(EventInvitation $invitation, Series $now, ParticipantAnswer $answer, string $note, ?EventTime $occurrence): bool
    {
        if ($now->master === null && $occurrence === null) {
            // Of single times of a series each is answered to as such.
            $given = false;
            foreach ($now->overrides as $each) {
                $given = ($each->recurrenceId !== null && $this->give($invitation, $now, $answer, $note, $each->recurrenceId)) || $given;
            }

            return $given;
        }
        $found = $occurrence === null ? null : $now->find($occurrence);
        if ($occurrence !== null && $found?->recurrenceId === null) {
            return false;
        }
        $note = mb_substr(trim($note), 0, self::LONGEST_NOTE);
        $who = ($found->event ?? $now->events()[0])->participants[0] ?? $invitation->participant();
        $actor = $invitation->person === null ? Actor::nobody() : Actor::person($invitation->person);
        $this->changes->carryOut($actor, Cause::Letter, OperationKind::Answer, [
            $found?->recurrenceId === null ? new AnswerSeries($invitation->event_id, $who, $answer, $note) : new AnswerOccurrence($invitation->event_id, $found->recurrenceId, $who, $answer, $note),
        ]);

        return true;
    }

    /** Whoever it is of, as they stand among those who take part; null where they are asked to nothing. */
    public static function them(?Series $now): ?Participant
    {
        return $now?->events()[0]->participants[0] ?? null;
    }
}

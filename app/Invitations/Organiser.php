<?php

namespace App\Invitations;

use App\Events\EventRecord;
use App\Participants\ParticipantRecord;

/** Who asks those who take part in an event, and so hears what they say: who is named, else who added it. */
final class Organiser
{
    /** @return ?int id of a person; null where it is nobody of the directory */
    public static function of(EventRecord $head): ?int
    {
        $named = $head->participants->first(static fn (ParticipantRecord $each): bool => $each->organizer);

        return $named === null ? $head->created_by : $named->person_id;
    }
}

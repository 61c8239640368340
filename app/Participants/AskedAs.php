<?php

namespace App\Participants;

use App\Directory\Person;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/** As whom somebody is asked to an event: themselves, or as one of a group that is. */
final class AskedAs
{
    /**
     * @param  list<int>  $groupIds  every group that they are in
     * @return ?Participant null where they are not asked
     */
    public static function of(Event $event, Person $person, array $groupIds): ?Participant
    {
        $own = Participants::find($event->participants, Participant::standingFor(Party::person($person->id)));
        if ($own !== null && ($own->memberOf === null || in_array($own->memberOf->id, $groupIds, true))) {
            return $own;
        }
        foreach ($event->participants as $each) {
            if ($each->party?->kind === PartyKind::Group && in_array($each->party->id, $groupIds, true)) {
                return Participant::ofMember($person->id, $person->email, $person->name, $each);
            }
        }

        return null;
    }
}

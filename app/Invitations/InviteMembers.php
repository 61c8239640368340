<?php

namespace App\Invitations;

use App\Directory\GroupMemberships;
use App\Directory\GroupsChanged;
use App\Directory\Person;
use App\Participants\ParticipantRecord;
use App\Pins\LayAskedPins;
use Illuminate\Support\Facades\DB;

/**
 * Whoever comes into a group is asked to what the group is asked to from then on, and whoever leaves it no longer: within the transaction of
 * that. What they answered as one of it goes with it.
 */
final class InviteMembers
{
    public function __construct(private readonly InviteAsked $invite, private readonly GroupMemberships $memberships, private readonly LayAskedPins $pins)
    {
    }

    public function handle(GroupsChanged $changed): void
    {
        $groups = $this->memberships->tree()->containing([$changed->groupId]);
        $events = DB::table('event_participants as p')->join('events as e', 'e.id', '=', 'p.event_id')->whereIntegerInRaw('p.group_id', $groups)->whereNull('e.deleted_at')
            ->whereExists(static fn ($ahead) => $ahead->from('occurrences')->whereRaw('occurrences.series_id = COALESCE(e.series_id, e.id)')->where('occurrences.ends_at', '>', now()->subDay()))
            ->selectRaw('DISTINCT COALESCE(e.series_id, e.id) AS id')->pluck('id')->map(intval(...))->all();
        foreach (Person::query()->whereKey($changed->personIds)->where('status', 'active')->get() as $person) {
            $left = array_diff($groups, $this->memberships->of($person));
            ParticipantRecord::query()->where('person_id', $person->id)->whereIntegerInRaw('member_of', $left)->delete();
            $this->invite->askOne($person, $events);
        }
        $this->pins->lay($events);
    }
}

<?php

namespace App\Participants;

use App\Directory\Person;
use Illuminate\Support\Facades\DB;

/** Keeps who takes part in step with the directory: who comes, or gets another address, is known by it in the events that they are asked to. */
final class PeopleAtAddresses
{
    public function saved(Person $person): void
    {
        if (! $person->wasRecentlyCreated && ! $person->wasChanged('email')) {
            return;
        }
        $address = 'mailto:'.mb_strtolower($person->email);
        DB::table('event_participants')->where('person_id', $person->id)->where('address', '!=', $address)->update(['address' => "mailto:{$person->email}"]);
        // What was asked of an address that is theirs from now on is asked of them.
        DB::table('event_invitations')->where('person_id', $person->id)->whereNot('address', mb_strtolower($person->email))->whereNotIn('event_id', DB::table('event_invitations')->where('address', mb_strtolower($person->email))->pluck('event_id'))->update(['address' => mb_strtolower($person->email)]);
        DB::table('event_invitations')->whereNull('person_id')->where('address', mb_strtolower($person->email))->update(['person_id' => $person->id]);
        DB::table('event_participants')->whereNull('person_id')->where('address', $address)->update(['person_id' => $person->id]);
    }
}

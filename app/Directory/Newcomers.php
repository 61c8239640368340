<?php

namespace App\Directory;

use App\Access\Audience;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Letters\Letter;
use App\Organisation\Organisation;
use Illuminate\Support\Facades\Mail;

/** Adds people and invites them to come in. Call it inside a transaction. */
final class Newcomers
{
    public function __construct(private readonly GroupMembers $members, private readonly Audience $audience, private readonly Organisation $organisation)
    {
    }

    /**
     * @param  array<string, mixed>  $columns
     * @param  list<int>  $groups  ids
     */
    public function add(array $columns, array $groups, Person $by): Person
    {
        $person = Person::query()->create($columns + ['timezone' => $this->organisation->timezone()]);
        ChangeLog::person($person, $by, [], ['status' => 'active']);
        OwnThings::of($person);
        foreach (Group::query()->whereKey($groups)->get() as $group) {
            $this->members->put($group, $person, true, $by);
        }
        Change::ofAccess($this->audience->withAdministrators([$person->id]));

        return $person;
    }

    public function invite(Person $person, Person $by): void
    {
        $person->update(['invited_at' => now()]);
        Mail::to($person)->queue(new Letter($person, $this->organisation->settings()->name === '' ? "{$by->name} invites you to Pinned Rota" : "{$by->name} invites you to the calendars of {$this->organisation->settings()->name}",
            ['There you find the calendars that concern you, in one place: what is on, where, and with whom.'], 'Come in', '/'));
    }
}

<?php

namespace App\Directory;

use PinnedRota\Core\Directory\Role;

/** Oneself. */
final readonly class PersonData
{
    /**
     * @param  list<WorkingSpanData>  $workingHours
     * @param  bool  $needsSecondFactor  Whether they are no administrator until they have set one up
     * @param  bool  $invitationsByMail  Whether what they are asked to take part in, or to prepare, comes by mail, too
     * @param  string  $quietHours  At which they are not written to about what can wait; empty where those of the site hold
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public string $timezone,
        public Role $role,
        public string $post,
        public array $workingHours,
        public bool $needsSecondFactor,
        public bool $invitationsByMail,
        public string $quietHours,
    ) {
    }

    public static function of(Person $person, bool $needsSecondFactor): self
    {
        return new self($person->id, $person->name, $person->email, $person->timezone, $person->role, $person->post, WorkingSpanData::ofPerson($person), $needsSecondFactor, $person->invitations_by_mail, $person->quiet_hours);
    }
}

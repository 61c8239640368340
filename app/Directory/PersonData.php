<?php

namespace App\Directory;

use PinnedRota\Core\Directory\Role;

/** Oneself. */
final readonly class PersonData
{
    /**
     * @param  list<WorkingSpanData>  $workingHours
     * @param  bool  $needsSecondFactor  Whether they are no administrator until they have set one up
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
    ) {
    }

    public static function of(Person $person, bool $needsSecondFactor): self
    {
        return new self($person->id, $person->name, $person->email, $person->timezone, $person->role, $person->post, WorkingSpanData::ofPerson($person), $needsSecondFactor);
    }
}

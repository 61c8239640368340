<?php

namespace App\Directory;

/** Oneself. */
final readonly class PersonData
{
    /**
     * @param  list<WorkingSpanData>  $workingHours
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public string $timezone,
        public string $role,
        public string $post,
        public array $workingHours,
    ) {
    }

    public static function of(Person $person): self
    {
        return new self($person->id, $person->name, $person->email, $person->timezone, $person->role, $person->post, WorkingSpanData::ofPerson($person));
    }
}

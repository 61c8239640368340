<?php

namespace App\Directory;

use PinnedRota\Core\Directory\Role;

/** A person as administrators are told of them. */
final readonly class DirectoryPersonData
{
    /**
     * @param  'active'|'suspended'|'left'  $status
     * @param  list<WorkingSpanData>  $workingHours
     * @param  list<GroupWithinData>  $groups
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public string $post,
        public string $timezone,
        public Role $role,
        public string $status,
        public bool $hasComeIn,
        public ?string $invitedAt,
        public array $workingHours,
        public array $groups,
        public bool $hasSecondFactor,
    ) {
    }

    /** @param  Person  $person  with their groups and second factor */
    public static function of(Person $person): self
    {
        return new self(
            id: $person->id,
            name: $person->name,
            email: $person->email,
            post: $person->post,
            timezone: $person->timezone,
            role: $person->role,
            status: $person->status,
            hasComeIn: $person->hasComeIn(),
            invitedAt: $person->invited_at?->toIso8601ZuluString(),
            workingHours: WorkingSpanData::ofPerson($person),
            groups: $person->groups->sortBy('name')->map(static fn (Group $group): GroupWithinData => new GroupWithinData($group->id, $group->name))->values()->all(),
            hasSecondFactor: $person->secondFactor?->confirmed_at !== null,
        );
    }
}

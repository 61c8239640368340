<?php

namespace App\Directory;

/** A person as administrators are told of them. */
final class PersonJson
{
    /** @return array<string, mixed> the person's groups must be loaded */
    public static function tell(Person $person): array
    {
        return [
            'id' => $person->id, 'name' => $person->name, 'email' => $person->email, 'post' => $person->post,
            'timezone' => $person->timezone, 'role' => $person->role, 'status' => $person->status,
            'hasComeIn' => $person->hasComeIn(),
            'invitedAt' => $person->invited_at?->toIso8601ZuluString(),
            'workingHours' => $person->working_hours ?? [],
            'groups' => $person->groups->sortBy('name')->map(fn (Group $group): array => ['id' => $group->id, 'name' => $group->name])->values()->all(),
        ];
    }
}

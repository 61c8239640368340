<?php

namespace App\Directory;

/** A group, and who is in it. */
final readonly class GroupData
{
    /**
     * @param  list<GroupPersonData>  $people  Those who are in it directly
     * @param  list<GroupWithinData>  $groups  The groups in it: whoever is in one of them is in it
     */
    public function __construct(
        public int $id,
        public string $name,
        public array $people,
        public array $groups,
    ) {
    }

    /** @param  Group  $group  with its people and groups */
    public static function of(Group $group): self
    {
        return new self(
            $group->id,
            $group->name,
            $group->people->map(static fn (Person $person): GroupPersonData => new GroupPersonData($person->id, $person->name, $person->post))->all(),
            $group->groups->map(static fn (Group $member): GroupWithinData => new GroupWithinData($member->id, $member->name))->all(),
        );
    }
}

<?php

namespace App\Directory;

use App\Access\Audience;
use App\Access\Stewardship;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Puts people and groups into groups and takes them out. */
final class GroupMembers
{
    public function __construct(private readonly GroupMemberships $memberships, private readonly Stewardship $stewardship, private readonly Audience $audience)
    {
    }

    /** Refused as bad input where the group would come to be within itself. */
    public function put(Group $group, Person|Group $member, bool $within, Person $by): void
    {
        $this->stewardship->guard(function () use ($group, $member, $within, $by): void {
            // All groups are locked: two changes at once could make a cycle that neither makes alone.
            Group::query()->lockForUpdate()->pluck('id');
            if ($member instanceof Group && $within && $this->memberships->tree()->wouldCycle($group->id, $member->id)) {
                throw ValidationException::withMessages(['id' => $group->id === $member->id
                    ? 'A group cannot be in itself.'
                    : "{$group->name} is in {$member->name} already, so {$member->name} cannot be in it, too."]);
            }
            $members = $member instanceof Person ? $group->people() : $group->groups();
            $changed = $within ? $members->syncWithoutDetaching([$member->id])['attached'] !== [] : $members->detach($member->id) > 0;
            if ($changed) {
                ChangeLog::member($group, $by, $member, $within);
                $people = $member instanceof Person ? [$member->id] : $this->audience->of(new Subject(SubjectKind::Group, $member->id));
                event(new GroupsChanged($group->id, $people));
                Change::ofAccess($this->audience->withAdministrators($people));
            }
        });
    }
}

<?php

namespace App\Access;

use App\Directory\Group;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\GroupTree;
use PinnedRota\Core\Access\Reason;
use PinnedRota\Core\Access\SubjectKind;

/** Says why somebody has a level: “Change: member of Keel year, which is in Students”. */
final class ReasonWords
{
    private readonly GroupTree $tree;

    /** @var array<int, string> names of groups by id */
    private array $names;

    public function __construct(GroupMemberships $memberships)
    {
        $this->tree = $memberships->tree();
        $this->names = Group::query()->pluck('name', 'id')->all();
    }

    /**
     * @param  list<int>  $groupIds  the groups that the person is in directly
     * @return list<ReasonInWordsData> the highest first
     */
    public function of(Person $person, array $groupIds, Decision $decision): array
    {
        return array_map(fn (Reason $reason): ReasonInWordsData => new ReasonInWordsData($reason->level, $reason->level->label().': '.$this->why($reason, $groupIds)), $decision->reasons);
    }

    /** @param  list<int>  $groupIds */
    private function why(Reason $reason, array $groupIds): string
    {
        $subject = $reason->subject;
        if ($subject->kind === SubjectKind::Group) {
            $way = array_map(fn (int $id): string => $this->names[$id] ?? 'a group', $this->tree->path($groupIds, (int) $subject->id));

            return ($reason->asKeeper ? 'kept by a group; ' : '').'member of '.implode(', which is in ', $way);
        }

        return match ($subject->kind) {
            SubjectKind::Everyone => 'everyone in the organisation',
            SubjectKind::Public => 'the public',
            default => $reason->asKeeper ? 'keeps it' : 'given by name',
        };
    }
}

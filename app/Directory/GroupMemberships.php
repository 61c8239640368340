<?php

namespace App\Directory;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\GroupTree;

/** Which groups are in which, for the whole organisation: few enough to be read at once. */
final class GroupMemberships
{
    public function tree(): GroupTree
    {
        $parents = [];
        foreach (DB::table('group_group')->get(['group_id', 'member_id']) as $row) {
            $parents[$row->member_id][] = $row->group_id;
        }

        return new GroupTree($parents);
    }

    /**
     * Who is in groups, directly or through another.
     *
     * @param  list<int>  $groupIds
     * @return array<int, list<int>> ids of people, by group
     */
    public function peopleIn(array $groupIds): array
    {
        $tree = $this->tree();
        $people = array_fill_keys($groupIds, []);
        foreach (DB::table('group_person')->get(['group_id', 'person_id'])->groupBy('person_id') as $person => $rows) {
            foreach (array_intersect($tree->containing($rows->pluck('group_id')->all()), $groupIds) as $group) {
                $people[$group][] = $person;
            }
        }

        return $people;
    }

    /** @return list<int> every group that a person is in, directly or through another */
    public function of(Person $person): array
    {
        return $this->tree()->containing(array_values($person->groups()->pluck('groups.id')->all()));
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Groups within groups: whoever is in a group is in every group that has it. */
final readonly class GroupTree
{
    /** @param  array<int, list<int>>  $parents  the groups that have a group as a member, by that group */
    public function __construct(private array $parents)
    {
    }

    /**
     * Every group that these are in, themselves among them; a cycle, should there be one, is gone through once.
     *
     * @param  list<int>  $groupIds
     * @return list<int> ascending
     */
    public function containing(array $groupIds): array
    {
        $found = [];
        while ($groupIds !== []) {
            $group = array_pop($groupIds);
            if (! isset($found[$group])) {
                $found[$group] = $group;
                array_push($groupIds, ...$this->parents[$group] ?? []);
            }
        }
        sort($found);

        return $found;
    }

    /**
     * How somebody in these groups comes to be in another: the groups on the way, from the one they are in themselves.
     *
     * @param  list<int>  $groupIds
     * @return list<int> the shortest way, $group at its end; empty where they are not in it
     */
    public function path(array $groupIds, int $group): array
    {
        $ways = array_map(static fn (int $each): array => [$each], $groupIds);
        $seen = [];
        while ($ways !== []) {
            $way = array_shift($ways);
            $last = $way[count($way) - 1];
            if ($last === $group) {
                return $way;
            }
            if (isset($seen[$last])) {
                continue;
            }
            $seen[$last] = true;
            foreach ($this->parents[$last] ?? [] as $parent) {
                $ways[] = [...$way, $parent];
            }
        }

        return [];
    }

    /** Whether a group that became a member of another would be within itself. */
    public function wouldCycle(int $group, int $member): bool
    {
        return in_array($member, $this->containing([$group]), true);
    }
}

<?php

namespace App\Following;

use App\Access\AccessReader;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Events\Write\SeriesState;
use App\Overlays\LayersOfSheet;

/** Who may have to be told of changes: those who follow anything, and those who take part in what has changed. Each is read once. */
final class Followers
{
    /** @var array<int, Followed> */
    private array $read = [];

    /** @var array<int, list<Follow>> by person */
    private array $follows = [];

    /** @var array<int, list<int>> ids of people, by group */
    private array $members = [];

    public function __construct(private readonly AccessReader $access, private readonly LayersOfSheet $layers, private readonly GroupMemberships $memberships)
    {
    }

    /** @return list<Followed> those who have said what they follow */
    public function declared(): array
    {
        $this->follows = [];
        foreach (Follow::query()->whereRelation('person', 'status', 'active')->with(['category', 'overlay.layers.calendars:id'])->orderBy('id')->get() as $follow) {
            $this->follows[$follow->person_id][] = $follow;
        }

        return $this->of(array_keys($this->follows));
    }

    /**
     * @param  list<SeriesState>  $states
     * @return list<int> ids of those who take part in any of these, or ask others to
     */
    public function involved(array $states): array
    {
        $people = $groups = [];
        foreach ($states as $state) {
            $people[] = (int) $state->authorId();
            array_push($people, ...array_column($state->participants, 'person_id'), ...array_column(array_filter($state->pins, static fn (array $pin): bool => (bool) $pin['joined']), 'pinned_by'));
            array_push($groups, ...array_filter(array_column($state->participants, 'group_id')));
        }
        $unknown = array_diff(array_unique($groups), array_keys($this->members));
        $this->members += $unknown === [] ? [] : $this->memberships->peopleIn(array_values($unknown));
        array_push($people, ...array_merge([], ...array_values(array_intersect_key($this->members, array_flip($groups)))));

        return array_values(array_map(intval(...), array_filter(array_unique($people))));
    }

    /**
     * @param  array<int>  $ids
     * @return list<Followed>
     */
    public function of(array $ids): array
    {
        $unknown = array_diff($ids, array_keys($this->read));
        foreach ($unknown === [] ? [] : Person::query()->whereIntegerInRaw('id', $unknown)->where('status', 'active')->get() as $person) {
            $this->read[$person->id] = $this->read($person);
        }

        return array_values(array_intersect_key($this->read, array_flip($ids)));
    }

    private function read(Person $person): Followed
    {
        $perspective = $this->access->eyesOf($person);
        $follows = $this->follows[$person->id] ?? array_values(Follow::query()->where('person_id', $person->id)->with(['category', 'overlay.layers.calendars:id'])->orderBy('id')->get()->all());
        if (array_filter($follows, static fn (Follow $each): bool => $each->kind === FollowedKind::Mine) === []) {
            $follows[] = Follow::mine($person->id);
        }
        $overlays = [];
        $seen = array_filter($follows, static fn (Follow $each): bool => $each->kind === FollowedKind::Overlay) === [] ? collect() : $this->access->overlays($perspective->viewer)->map(static fn (array $each): int => $each[0]->id);
        foreach ($follows as $follow) {
            if ($follow->overlay !== null && $seen->contains($follow->overlay_id)) {
                $overlays[$follow->target] = $this->layers->through($perspective, $follow->overlay, null);
            }
        }

        return new Followed($person, $perspective, array_values(array_filter($follows, static fn (Follow $each): bool => $each->kind !== FollowedKind::Overlay || isset($overlays[$each->target]))), $overlays);
    }
}

<?php

namespace App\Following;

use App\Events\Read\SeenSeries;
use App\Events\Write\SeriesState;
use App\History\RecordOfState;
use PinnedRota\Core\Notices\Pace;

/**
 * Works out what those who follow something are to be told of what was done within some batches. Those who follow the same and see the same are
 * told the same: it is reckoned once for all of them, but for those who have to do with what has changed themselves.
 */
final class ReckonNotices
{
    private const AT_ONCE = 200;

    /** @var array<int, Reckoned> by person: of what is theirs alone */
    private array $own = [];

    /** @var array<int, array<int, true>> by person: of which changes that is */
    private array $apart = [];

    /** @var array<string, array<int, Reckoned>> by what they are alike in, and by the changes */
    private array $alike = [];

    public function __construct(private readonly StepsOfSeries $steps, private readonly SeenSeries $seen, private readonly TakenChanges $taken)
    {
    }

    /**
     * @param  int  $after  a batch; what is in later ones is told
     * @param  int  $upTo  the last batch that is
     * @param  ?list<Followed>  $people  those alone; null for all who follow anything or take part
     * @return array<int, Reckoned> by person; those who are told nothing are not in it
     */
    public function within(int $after, int $upTo, Pace $pace, Followers $followers, ?array $people = null): array
    {
        [$this->own, $this->apart, $this->alike] = [[], [], []];
        $groups = self::alike($people ?? $followers->declared());
        $number = 0;
        foreach (array_chunk($this->steps->within($after, $upTo), self::AT_ONCE) as $some) {
            $states = $this->steps->states(array_merge(...$some));
            $this->taken->forget();
            foreach ($this->together($some, $states, $followers) as $together) {
                $this->tell($together, $number++, $groups, $pace, $people === null ? $followers->of($together->apart) : []);
            }
        }

        return $this->told($groups);
    }

    /**
     * @param  list<Followed>  $people
     * @return array<string, array<int, Followed>> those together who are alike, by person
     */
    private static function alike(array $people): array
    {
        $groups = [];
        foreach ($people as $each) {
            $groups[$each->likeness()][$each->person->id] = $each;
        }

        return $groups;
    }

    /**
     * @param  list<non-empty-list<SteppedSeries>>  $some
     * @param  array<int, array{?SeriesState, ?SeriesState}>  $states
     * @return iterable<ChangedTogether>
     */
    private function together(array $some, array $states, Followers $followers): iterable
    {
        $categories = RecordOfState::categories(array_merge(...array_values($states)));
        $side = fn (?SeriesState $state): ?array => $state === null ? null : [$head = RecordOfState::head($state, $categories), $this->seen->load($head)];
        foreach ($some as $steps) {
            $of = $sides = $actors = [];
            foreach ($steps as $each) {
                $sides[$each->id] = [$side($states[$each->id][0]), $side($states[$each->id][1])];
                array_push($of, ...array_filter($states[$each->id]));
                array_push($actors, ...array_keys($each->actors));
            }
            yield new ChangedTogether(array_column(array_map(static fn (SteppedSeries $each): array => [$each->id, $each], $steps), 1, 0), $sides, array_values(array_unique([...$actors, ...$followers->involved($of)])));
        }
    }

    /**
     * @param  array<string, array<int, Followed>>  $groups
     * @param  list<Followed>  $others  who have to do with it, whether they follow anything or not
     */
    private function tell(ChangedTogether $together, int $number, array $groups, Pace $pace, array $others): void
    {
        $apart = array_flip($together->apart);
        foreach ($groups as $likeness => $group) {
            $those = array_intersect_key($group, $apart);
            array_push($others, ...array_values($those));
            $first = count($those) === 0 ? reset($group) : (array_values(array_diff_key($group, $those))[0] ?? false);
            $reckoned = $first === false ? null : $this->taken->of($first, $together, $pace);
            if ($reckoned !== null && ! $reckoned->isEmpty()) {
                $this->alike[$likeness][$number] = $reckoned;
            }
        }
        foreach ($others as $each) {
            if (! isset($this->apart[$each->person->id][$number])) {
                $this->apart[$each->person->id][$number] = true;
                ($this->own[$each->person->id] ??= new Reckoned)->add($this->taken->of($each, $together, $pace));
            }
        }
    }

    /**
     * @param  array<string, array<int, Followed>>  $groups
     * @return array<int, Reckoned>
     */
    private function told(array $groups): array
    {
        $told = $this->own;
        foreach ($groups as $likeness => $group) {
            $all = new Reckoned;
            array_map($all->add(...), $this->alike[$likeness] ?? []);
            foreach (array_keys($group) as $personId) {
                if (! isset($this->apart[$personId])) {
                    $told[$personId] = $all;

                    continue;
                }
                array_map($told[$personId]->add(...), array_diff_key($this->alike[$likeness] ?? [], $this->apart[$personId]));
            }
        }

        return array_filter($told, static fn (Reckoned $each): bool => ! $each->isEmpty());
    }
}

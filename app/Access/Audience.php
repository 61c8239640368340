<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Overlays\Overlay;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;

/** Whom a change of access concerns: whose open browsers are told of it. */
final class Audience
{
    public function __construct(private readonly AccessReader $reader)
    {
    }

    /**
     * Those for whom subjects stand, and those who see something of calendars and overlays.
     *
     * @return list<int> active people, by id
     */
    public function of(Subject|Calendar|Overlay ...$whose): array
    {
        $roster = $this->reader->roster();

        return self::union(array_map(fn (Subject|Calendar|Overlay $each): array => $each instanceof Subject
            ? $roster->people($each)
            : $roster->atLeast(Level::BusyTimes, $each->keeper(), $this->grants($each)), $whose));
    }

    /**
     * Those for whom subjects stand, and those who manage something: they see to whom it is given.
     *
     * @return list<int> active people, by id
     */
    public function withManagers(Calendar|Overlay $of, Subject ...$subjects): array
    {
        $roster = $this->reader->roster();

        return self::union([$roster->managers($of->keeper(), $this->grants($of)), ...array_map($roster->people(...), $subjects)]);
    }

    /**
     * Some people, and those who keep the lists of people and groups.
     *
     * @param  list<int>  $people
     * @return list<int> by id
     */
    public function withAdministrators(array $people): array
    {
        return self::union([$people, Person::query()->where('role', 'administrator')->where('status', 'active')->pluck('id')->all()]);
    }

    /** @return list<\PinnedRota\Core\Access\Grant> */
    private function grants(Calendar|Overlay $of): array
    {
        return $of instanceof Calendar ? $this->reader->grants($of) : $this->reader->overlayGrants($of);
    }

    /**
     * @param  array<list<int>>  $lists
     * @return list<int>
     */
    private static function union(array $lists): array
    {
        return array_values(array_unique(array_merge(...array_values($lists))));
    }
}

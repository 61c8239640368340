<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Everybody who is active in the organisation, each with the groups they are in. */
final readonly class Roster
{
    /** @param  list<Viewer>  $viewers */
    public function __construct(private array $viewers)
    {
    }

    /**
     * How far a calendar or an overlay is shared.
     *
     * @param  list<Grant>  $grants
     */
    public function reach(Subject $keeper, array $grants): Reach
    {
        $counts = [];
        foreach ($this->viewers as $viewer) {
            $level = Access::decide($viewer, $keeper, $grants)->level;
            if ($level !== Level::None) {
                $counts[$level->value] = ($counts[$level->value] ?? 0) + 1;
            }
        }

        return new Reach($counts, Access::decide(Viewer::outsider(), $keeper, $grants)->level);
    }

    /**
     * The people who manage it.
     *
     * @param  list<Grant>  $grants
     * @return list<int> their ids
     */
    public function managers(Subject $keeper, array $grants): array
    {
        return $this->atLeast(Level::Manage, $keeper, $grants);
    }

    /**
     * The people who have a level or more.
     *
     * @param  list<Grant>  $grants
     * @return list<int> their ids
     */
    public function atLeast(Level $level, Subject $keeper, array $grants): array
    {
        $people = [];
        foreach ($this->viewers as $viewer) {
            if ($viewer->personId !== null && Access::decide($viewer, $keeper, $grants)->level->includes($level)) {
                $people[] = $viewer->personId;
            }
        }

        return $people;
    }

    /** @return list<int> those for whom a subject stands */
    public function people(Subject $subject): array
    {
        $people = [];
        foreach ($this->viewers as $viewer) {
            if ($viewer->personId !== null && $viewer->is($subject)) {
                $people[] = $viewer->personId;
            }
        }

        return $people;
    }
}

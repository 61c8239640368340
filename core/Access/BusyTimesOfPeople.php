<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Who is told when somebody is busy, wherever that is from: never what for. */
final class BusyTimesOfPeople
{
    /**
     * Oneself, those who have a group in common with them, and those who keep what is common to the organisation. All others
     * are told of what they may read, and of nothing else.
     */
    public static function areTold(Viewer $viewer, Viewer $person, bool $keepsCommon): bool
    {
        if ($viewer->personId === null) {
            return false;
        }

        return $keepsCommon || $viewer->personId === $person->personId || array_intersect($viewer->groupIds, $person->groupIds) !== [];
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;

/** Whether a viewer has to do with an event: who has, sees it where they may see its calendar, though it is private. */
final class Involvement
{
    /**
     * Whoever added it, takes part in it, is in a group that does, or has joined it.
     *
     * @param  ?int  $author  id of the person who added it
     * @param  iterable<?Party>  $participants
     * @param  list<int>  $joined  ids of the people who have joined it
     */
    public static function of(Viewer $viewer, ?int $author, iterable $participants, array $joined): bool
    {
        if ($viewer->personId === null) {
            return false;
        }
        if ($author === $viewer->personId || in_array($viewer->personId, $joined, true)) {
            return true;
        }
        foreach ($participants as $party) {
            if ($party !== null && self::standsFor($party, $viewer)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a person or a group that takes part is the viewer, or has them in it. */
    public static function standsFor(Party $party, Viewer $viewer): bool
    {
        return match ($party->kind) {
            PartyKind::Person => $party->id === $viewer->personId,
            PartyKind::Group => $viewer->personId !== null && in_array($party->id, $viewer->groupIds, true),
            PartyKind::Room => false,
        };
    }
}

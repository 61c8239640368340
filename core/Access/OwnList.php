<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Which calendars are on somebody's own list: those they look at day by day, of all that they may see. */
final class OwnList
{
    /**
     * What somebody chose holds. Until they choose, a calendar that is shared with them by name or through a group is
     * on it, and one that is open to everyone is where its managers offer it and it can be read.
     *
     * @param  ?bool  $chosen  null where they have not chosen
     */
    public static function has(Decision $decision, ?bool $chosen, bool $offered, bool $archived): bool
    {
        if ($archived || ! $decision->level->includes(Level::BusyTimes)) {
            return false;
        }
        if ($chosen !== null) {
            return $chosen;
        }
        foreach ($decision->reasons as $reason) {
            if (in_array($reason->subject->kind, [SubjectKind::Person, SubjectKind::Group], true)) {
                return true;
            }
        }

        return $offered && $decision->level->includes(Level::See);
    }
}

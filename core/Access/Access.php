<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** The one place that decides who may do what with a calendar or an overlay. */
final class Access
{
    /**
     * The keeper manages; of all grants that apply the highest holds.
     *
     * @param  iterable<Grant>  $grants
     */
    public static function decide(Viewer $viewer, Subject $keeper, iterable $grants): Decision
    {
        $reasons = [];
        if ($viewer->is($keeper)) {
            $reasons[] = new Reason(Level::Manage, $keeper, true);
        }
        foreach ($grants as $grant) {
            if ($grant->level !== Level::None && $viewer->is($grant->subject)) {
                $reasons[] = new Reason($grant->level, $grant->subject, false);
            }
        }
        usort($reasons, static fn (Reason $a, Reason $b): int => $b->level->rank() <=> $a->level->rank());

        return new Decision(Level::highest(...array_map(static fn (Reason $reason): Level => $reason->level, $reasons)), $reasons);
    }
}

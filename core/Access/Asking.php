<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Who may ask for which level. */
final class Asking
{
    /**
     * Who sees a calendar at all may ask for more than they have; to manage it is given, not asked for.
     *
     * @param  Level  $most  the highest level that the organisation lets people ask for
     */
    public static function may(Level $has, Level $wanted, Level $most = Level::Change): bool
    {
        return $has->includes(Level::BusyTimes) && $wanted->rank() > $has->rank() && $wanted !== Level::Manage && $most->includes($wanted);
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

/** Which refreshes are held back until somebody has said that they are meant. */
final class RefreshGuard
{
    /**
     * Whether more than a third of what is there would go, or all of it: far sides lose their events by mistake more often than they mean it.
     *
     * @param  array{added: int, changed: int, unchanged: int, removed: int}  $counts  of what comes, and of what is there and does not come
     */
    public static function holds(array $counts): bool
    {
        return 3 * $counts['removed'] > $counts['changed'] + $counts['unchanged'] + $counts['removed'];
    }
}

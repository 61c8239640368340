<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

/** BYSETPOS: the numbered members of the set of one period (RFC 5545, 3.3.10). */
final class SetPositions
{
    /**
     * @param  list<int>  $set  ascending
     * @param  list<int>  $positions  from 1; negative ones count from the end
     * @return list<int> ascending, each once
     */
    public static function of(array $set, array $positions): array
    {
        $kept = [];
        foreach ($positions as $position) {
            $index = $position > 0 ? $position - 1 : count($set) + $position;
            if (isset($set[$index])) {
                $kept[$index] = $set[$index];
            }
        }
        ksort($kept);

        return array_values($kept);
    }
}

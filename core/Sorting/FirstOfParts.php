<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sorting;

use SplHeap;

/**
 * Of the records that come next in several parts, the first: by its key, then by its part.
 *
 * @internal
 *
 * @extends SplHeap<array{array{string, string}, int}>
 */
final class FirstOfParts extends SplHeap
{
    /**
     * @param  array{array{string, string}, int}  $value1
     * @param  array{array{string, string}, int}  $value2
     */
    protected function compare(mixed $value1, mixed $value2): int
    {
        return strcmp($value2[0][0], $value1[0][0]) ?: $value2[1] <=> $value1[1];
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** A row of a table that is no event. */
final readonly class SkippedRow
{
    /** @param  int  $line  from 1 */
    public function __construct(public int $line, public string $said, public SkipReason $reason)
    {
    }
}

<?php

namespace App\Following;

use PinnedRota\Core\Notices\Pace;

/** What one is told of what changed, at one time. */
final readonly class NoticeData
{
    /**
     * @param  string  $at  UTC, RFC 3339
     * @param  Pace  $pace  As it happened, or of a day or a week
     * @param  list<NoticeLineData>  $lines
     */
    public function __construct(public int $id, public string $at, public Pace $pace, public bool $read, public array $lines)
    {
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Says whether a series is open for joining. */
final readonly class SetJoinable implements Command
{
    public function __construct(private int $seriesId, private bool $joinable)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->setJoinable($this->seriesId, $this->joinable);

        return $this->seriesId;
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Brings a deleted series back. */
final readonly class RestoreSeries implements Command
{
    public function __construct(private int $seriesId)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->restore($this->seriesId);

        return $this->seriesId;
    }
}

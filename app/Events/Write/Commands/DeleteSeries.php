<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Deletes a series; it can be brought back. */
final readonly class DeleteSeries implements Command
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
        $table->delete($this->seriesId);

        return $this->seriesId;
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Has a series show where those are at home who are asked to it: where that is another though nothing of the series is. */
final readonly class ShowAsked implements Command
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
        $table->showAsked([$this->seriesId]);

        return $this->seriesId;
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Takes a series off a further calendar. */
final readonly class UnpinSeries implements Command
{
    public function __construct(private int $seriesId, private int $calendarId)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->unpin($this->seriesId, $this->calendarId);

        return $this->seriesId;
    }
}

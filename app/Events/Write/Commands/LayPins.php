<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/**
 * Has a series show where it does by itself, because of who is asked to it or of the source that it comes from: where that is another
 * though nothing of the series is.
 */
final readonly class LayPins implements Command
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
        $table->layPins([$this->seriesId]);

        return $this->seriesId;
    }
}

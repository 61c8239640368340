<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Takes a file off a series; the file itself stays, so that this can be undone. */
final readonly class DetachFile implements Command
{
    public function __construct(private int $seriesId, private int $attachmentId)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->detach($this->seriesId, $this->attachmentId);

        return $this->seriesId;
    }
}

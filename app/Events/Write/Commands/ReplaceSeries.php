<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\Series;

/** Puts a series in the place of another, under the same head. */
final readonly class ReplaceSeries implements Command
{
    /** @param  ?string  $fingerprint  of what came in by a file or a source; null leaves it as it is */
    public function __construct(private int $seriesId, private Series $series, private ?string $fingerprint = null)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->replace($this->seriesId, $this->series, $actor, $this->fingerprint);

        return $this->seriesId;
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\AskedAnew;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Series;

/** Puts a series in the place of another, under the same head; where it is at another time, those who had answered are asked anew. */
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
        // What comes in by a file says itself what was answered.
        $series = $this->fingerprint !== null || ! AskedAnew::concerns($this->series) ? $this->series
            : AskedAnew::of($table->series($table->head($this->seriesId)), $this->series, $actor->personId === null ? null : Party::person($actor->personId));
        $table->replace($this->seriesId, $series, $actor, $this->fingerprint);

        return $this->seriesId;
    }
}

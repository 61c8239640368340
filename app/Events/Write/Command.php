<?php

namespace App\Events\Write;

/** One change of one series, as something to be carried out by ChangeEvents. */
interface Command
{
    /** @return ?int the head of the series that it changes; null where it adds one */
    public function seriesId(): ?int;

    /** @return int the head of the series that it has changed or added */
    public function apply(SeriesTable $table, Actor $actor): int;
}

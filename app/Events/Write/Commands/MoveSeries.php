<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\NamesCalendars;
use App\Events\Write\SeriesTable;

/** Puts a series on another calendar. */
final readonly class MoveSeries implements Command, NamesCalendars
{
    public function __construct(private int $seriesId, private int $calendarId)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function calendarIds(): array
    {
        return [$this->calendarId];
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->move($this->seriesId, $this->calendarId, $actor);

        return $this->seriesId;
    }
}

<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\NamesCalendars;
use App\Events\Write\SeriesTable;

/** Shows a series on a further calendar. */
final readonly class PinSeries implements Command, NamesCalendars
{
    /**
     * @param  bool  $joined  whether whoever pins it joins it by that
     * @param  ?int  $by  who pinned it, where that is not whoever does it (again)
     */
    public function __construct(private int $seriesId, private int $calendarId, private bool $joined = false, private ?int $by = null)
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
        $table->pin($this->seriesId, $this->calendarId, $this->by ?? $actor->personId, $this->joined);

        return $this->seriesId;
    }
}

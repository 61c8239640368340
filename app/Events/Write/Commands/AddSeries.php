<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\NamesCalendars;
use App\Events\Write\NewSeries;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\Series;

/** Adds a series to a calendar. */
final readonly class AddSeries implements Command, NamesCalendars
{
    /**
     * @param  list<array{id?: ?int, title: string, days: int, doer?: ?int}>  $tasks  its preparation list
     * @param  ?int  $continues  the series that it goes on from: what hangs on that one hangs on this one, too
     */
    public function __construct(private int $calendarId, private Series $series, private NewSeries $new = new NewSeries, private array $tasks = [], private ?int $continues = null)
    {
    }

    public function seriesId(): null
    {
        return null;
    }

    public function calendarIds(): array
    {
        return [$this->calendarId];
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $id = $table->add($this->calendarId, $this->series, $this->new, $actor);
        if ($this->continues !== null) {
            $table->continueFrom($id, $this->continues);
        }
        if ($this->tasks !== []) {
            $table->setTasks($id, $this->tasks);
        }

        return $id;
    }
}

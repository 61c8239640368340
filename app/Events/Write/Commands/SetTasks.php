<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Sets what is to be prepared for a series. */
final readonly class SetTasks implements Command
{
    /** @param  list<array{id?: ?int, title: string, days: int, doer?: ?int}>  $tasks  those that have an id stay the same ones */
    public function __construct(private int $seriesId, private array $tasks)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->setTasks($this->seriesId, $this->tasks);

        return $this->seriesId;
    }
}

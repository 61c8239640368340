<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\AppliesTogether;
use App\Events\Write\NamesCalendars;
use App\Events\Write\NewSeries;
use App\Events\Write\SeriesTable;
use PinnedRota\Core\Events\Series;

/** Adds a series to a calendar. */
final readonly class AddSeries implements AppliesTogether, NamesCalendars
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
        return self::applyAll([$this], $table, $actor)[0];
    }

    public static function applyAll(array $commands, SeriesTable $table, Actor $actor): array
    {
        $ids = $table->add(array_map(static fn (self $each): array => [$each->calendarId, $each->series, $each->new], $commands), $actor);
        foreach ($commands as $index => $command) {
            if ($command->continues !== null) {
                $table->continueFrom($ids[$index], $command->continues);
            }
            if ($command->tasks !== []) {
                $table->setTasks($ids[$index], $command->tasks);
            }
        }

        return $ids;
    }
}

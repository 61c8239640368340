<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\KeptSeries;
use App\Events\Write\NamesCalendars;
use App\Events\Write\SeriesState;
use App\Events\Write\SeriesTable;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Puts a series back as it was, where nobody has changed it since. */
final readonly class PutBack implements Command, NamesCalendars
{
    /**
     * @param  ?SeriesState  $state  null takes it away altogether
     * @param  ?SeriesState  $expected  as it is thought to be now
     * @param  bool  $anyway  whether it is put back whatever it is now
     * @param  ?KeptSeries  $kept  where it is noted that somebody has changed it since, and it stays so; null: then nothing is done at all
     */
    public function __construct(private int $seriesId, private ?SeriesState $state, private ?SeriesState $expected = null, private bool $anyway = false, private ?KeptSeries $kept = null)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function calendarIds(): array
    {
        return $this->state?->calendarIds() ?? [];
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $current = $table->state($this->seriesId);
        if (! $this->anyway && ! SeriesState::same($current, $this->expected)) {
            if ($this->kept !== null) {
                $this->kept->keep($this->seriesId, (string) ($current ?? $this->expected ?? $this->state)?->title());

                return $this->seriesId;
            }
            throw new ConflictHttpException('“'.($this->expected ?? $this->state)?->title().'” was changed since. Nothing was undone; see its history.');
        }
        $table->putBack($this->seriesId, $current, $this->state);

        return $this->seriesId;
    }
}

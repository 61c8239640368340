<?php

namespace App\Events\Write;

use Illuminate\Support\Carbon;

/** A series has changed: what EventsChanged tells of each. */
final readonly class SeriesChanged
{
    /**
     * @param  int  $seriesId  its head
     * @param  ?SeriesState  $before  null where it was added
     * @param  ?SeriesState  $after  null where it was taken away altogether, such as by undoing that it was added
     */
    public function __construct(public int $seriesId, public ?SeriesState $before, public ?SeriesState $after, public Actor $actor, public Cause $cause)
    {
    }

    /** @return list<int> the calendars on which it showed before or shows now, ascending */
    public function calendarIds(): array
    {
        $ids = array_unique([...$this->before?->calendarIds() ?? [], ...$this->after?->calendarIds() ?? []]);
        sort($ids);

        return $ids;
    }

    /** Whether it begins within a day: who is told of it is told sooner. Of a series it is not looked at. */
    public function isSoon(): bool
    {
        $row = ($this->after ?? $this->before)?->rows[0];

        // Wall times are up to a day from UTC: told sooner than need be is no harm.
        return $row !== null && ! $row['repeats'] && Carbon::parse((string) $row['starts_local'], 'UTC')->between(now()->subDay(), now()->addDay());
    }

    public function title(): string
    {
        return ($this->after ?? $this->before)?->title() ?? '';
    }
}

<?php

namespace App\Events;

use Illuminate\Support\Facades\DB;

/** Moves the horizon of the index along with today, a series at a time. */
final class RollHorizon
{
    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /** @return int how many series were laid anew */
    public function roll(): int
    {
        $horizon = OccurrenceHorizon::around(now()->getTimestamp());
        $count = 0;
        Event::query()->whereNull('series_id')->where('repeats', true)->orderBy('id')->chunkById(200, function ($heads) use ($horizon, &$count): void {
            foreach ($heads as $head) {
                DB::transaction(fn () => $this->index->refresh($head, $horizon));
                $count++;
            }
        });
        // Only now: until every series reaches it, what lies beyond the old horizon is expanded on demand.
        $horizon->store();

        return $count;
    }
}

<?php

namespace App\Occurrences;

use App\Events\EventRecord;
use Illuminate\Support\Facades\DB;

/** Lays the occurrences of every series anew, one at a time, and moves the horizon of the index to where today asks for it. */
final class RollHorizon
{
    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /** @return int how many series were laid anew */
    public function roll(): int
    {
        return $this->lay(true);
    }

    /** The same for single events, too: for an index that is not what it should be. */
    public function rebuild(): int
    {
        DB::table('occurrences')->whereNotIn('series_id', EventRecord::query()->whereNull('series_id')->select('id'))->delete();

        return $this->lay(false);
    }

    private function lay(bool $repeatingOnly): int
    {
        $old = OccurrenceHorizon::current();
        $horizon = OccurrenceHorizon::around(now()->getTimestamp());
        // Until every series reaches the new horizon the old one holds, so nothing of it is taken away meanwhile.
        $meanwhile = new OccurrenceHorizon(min($old->from, $horizon->from), max($old->to, $horizon->to));
        $count = 0;
        $heads = EventRecord::query()->whereNull('series_id')->when($repeatingOnly, fn ($query) => $query->where('repeats', true));
        $heads->chunkById(200, function ($heads) use ($meanwhile, &$count): void {
            foreach ($heads as $head) {
                DB::transaction(function () use ($head, $meanwhile): void {
                    // Read again under a lock: somebody may have changed it since.
                    $current = EventRecord::query()->lockForUpdate()->find($head->id);
                    if ($current !== null) {
                        $this->index->refresh($current, $meanwhile);
                    }
                });
                $count++;
            }
        });
        $horizon->store();

        return $count;
    }
}

<?php

namespace App\Occurrences;

use App\Events\EventRecord;
use Illuminate\Support\Facades\DB;

/** Moves the horizon of the index to where today asks for it, and lays the index anew where that is asked for. */
final class RollHorizon
{
    private const AT_ONCE = 200;

    public function __construct(private readonly OccurrenceIndex $index)
    {
    }

    /**
     * Adds what has come within reach at the far edge and takes away what is out of it at the near one; all between stays.
     *
     * @return int how many times were added
     */
    public function roll(): int
    {
        $old = OccurrenceHorizon::current();
        $horizon = OccurrenceHorizon::around(now()->getTimestamp());
        if ($horizon->from < $old->from || $horizon->to < $old->to) {
            return $this->lay(true);
        }
        (new OccurrenceHorizon($old->from, $horizon->to))->announce();
        $count = 0;
        EventRecord::query()->whereNull('series_id')->where('repeats', true)->where('indexed', true)->with(['overrides', 'pins'])->chunkById(self::AT_ONCE, function ($heads) use ($old, $horizon, &$count): void {
            DB::table('occurrences')->whereIn('series_id', $heads->modelKeys())->where('ends_at', '<', OccurrenceHorizon::stamp($horizon->from))->delete();
            foreach ($heads as $head) {
                $count += DB::transaction(fn (): int => $this->extend($head, $old, $horizon));
            }
        });
        $horizon->store();

        return $count;
    }

    /** Lays the occurrences of every event anew: for an index that is not what it should be. */
    public function rebuild(): int
    {
        DB::table('occurrences')->whereNotIn('series_id', EventRecord::query()->whereNull('series_id')->select('id'))->delete();

        return $this->lay(false);
    }

    private function extend(EventRecord $head, OccurrenceHorizon $old, OccurrenceHorizon $horizon): int
    {
        $rows = $this->index->beyond($head, $old, $horizon);
        if ($rows === []) {
            return 0;
        }
        // Read again under a lock: where somebody has changed it since, what it is now is laid as far as the new horizon.
        $current = EventRecord::query()->lockForUpdate()->find($head->id);
        if ($current === null) {
            return 0;
        }
        if ($current->version !== $head->version) {
            $this->index->refresh($current, new OccurrenceHorizon($old->from, $horizon->to));

            return 0;
        }
        DB::table('occurrences')->insert($rows);

        return count($rows);
    }

    private function lay(bool $repeatingOnly): int
    {
        $old = OccurrenceHorizon::current();
        $horizon = OccurrenceHorizon::around(now()->getTimestamp());
        // Until every series reaches the new horizon the old one holds, so nothing of it is taken away meanwhile.
        $meanwhile = new OccurrenceHorizon(min($old->from, $horizon->from), max($old->to, $horizon->to));
        $meanwhile->announce();
        $count = 0;
        $heads = EventRecord::query()->whereNull('series_id')->when($repeatingOnly, fn ($query) => $query->where('repeats', true));
        $heads->chunkById(self::AT_ONCE, function ($heads) use ($meanwhile, &$count): void {
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

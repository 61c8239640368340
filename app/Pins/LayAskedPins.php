<?php

namespace App\Pins;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\LayPins;
use App\Events\Write\OperationKind;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Has events show where those are at home who are asked to them, where that is another by now though nobody wrote them: access was given or taken, somebody has come. */
final class LayAskedPins
{
    private const AT_ONCE = 500;

    public function __construct(private readonly AskedPins $pins, private readonly ChangeEvents $changes)
    {
    }

    /** @return int of how many events */
    public function run(): int
    {
        $count = 0;
        DB::table('events')->whereNull('series_id')->whereNull('deleted_at')->whereNull('import_id')->whereNull('fingerprint')
            ->where(static fn ($asks) => $asks->where('has_participants', true)->orWhereExists(static fn ($time) => $time->from('events as t')->whereColumn('t.series_id', 'events.id')->where('t.has_participants', true)))
            ->whereExists(static fn ($ahead) => $ahead->from('occurrences')->whereColumn('occurrences.series_id', 'events.id')->where('ends_at', '>', now()))
            ->select('id')->chunkById(self::AT_ONCE, function (Collection $some) use (&$count): void {
                $count += $this->lay($some->pluck('id')->map(intval(...))->values()->all());
            });

        return $count;
    }

    /**
     * @param  list<int>  $seriesIds
     * @return int of how many it was another
     */
    public function lay(array $seriesIds): int
    {
        $shown = array_map(static fn (int $id): LayPins => new LayPins($id), array_keys($this->pins->differing($seriesIds)));
        if ($shown !== []) {
            $this->changes->carryOut(Actor::nobody(), Cause::Script, OperationKind::Pin, $shown);
        }

        return count($shown);
    }
}

<?php

namespace App\Notices;

use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\FactsOfEvent;
use App\Events\Read\SeenSeries;
use App\Events\Write\SeriesState;
use App\Events\Write\SeriesStates;
use App\History\OperationSeries;
use App\History\RecordOfState;
use App\Overlays\LayersOfSheet;
use App\Overlays\SheetQuery;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Window;
use PinnedRota\Core\Notices\Reckoning;
use PinnedRota\Core\Recurrence\WorkBudget;

/** What others did since a moment with what somebody sees on a sheet. */
final class ChangesOfSheet
{
    /** Of more series than these the ones that changed last are told. */
    public const MOST = 200;

    public function __construct(
        private readonly LayersOfSheet $layers,
        private readonly SeenSeries $seen,
        private readonly SeriesStates $states,
        private readonly FactsOfEvent $facts,
        private readonly WorkBudget $budget,
    ) {
    }

    /**
     * @param  Person  $looking  whose own doings are left out
     * @return array{list<SeenChange>, bool} by when they are, or were; and whether there is more
     */
    public function since(Carbon $since, Perspective $perspective, SheetQuery $query, Person $looking): array
    {
        // Of people it is told what they have on, not what became of it.
        if ($query->party !== null) {
            return [[], false];
        }
        $layers = $this->layers->of($perspective, $query);
        $calendarIds = $layers->calendarIds();
        $touched = DB::table('series_changes')->whereIntegerInRaw('calendar_id', $calendarIds)->where('changed_at', '>=', $since)->orderByDesc('changed_at')->limit(self::MOST * 2)->pluck('series_id')->unique()->values();
        $done = OperationSeries::query()->whereIntegerInRaw('operation_series.series_id', $touched->take(self::MOST)->all())
            ->join('operations', 'operations.id', '=', 'operation_series.operation_id')->where('operations.created_at', '>=', $since)
            ->where(static fn ($by) => $by->whereNull('operations.person_id')->orWhere('operations.person_id', '!=', $looking->id))
            ->groupBy('operation_series.series_id')->get(['operation_series.series_id', DB::raw('MIN(operation_series.id) as first'), DB::raw('MAX(operation_series.id) as last')]);
        $last = OperationSeries::query()->whereKey($done->pluck('last'))->with('operation.person')->get(['id', 'series_id', 'operation_id'])->keyBy('series_id');
        $first = OperationSeries::query()->whereKey($done->pluck('first'))->get(['id', 'series_id', 'before'])->keyBy('series_id');
        $now = $this->states->all($first->keys()->all());
        $heads = $series = [];
        foreach ($first as $id => $each) {
            [$before, $after] = [self::head($each->before()), self::head($now[$id])];
            $series[$id] = [$before === null ? null : $this->seen->inFull($before, $perspective), $after === null ? null : $this->seen->inFull($after, $perspective)];
            $heads[$id] = [$before, $after];
        }
        $window = new Window($query->from, $query->to, $query->zone);
        $layerOf = new LayerOfChange($layers, $perspective, $query->filter, $this->seen, $this->facts);
        $found = [];
        foreach (Reckoning::between($series, $window->axisFrom, $window->axisTo, $this->budget) as $change) {
            $wasIn = $layerOf->occurrence($change->before, $heads[$change->seriesBefore ?? $change->series][0]);
            $isIn = $layerOf->occurrence($change->after, $heads[$change->series][1]);
            if (($isIn ?? $wasIn) !== null) {
                $operation = $last[$change->series]->operation;
                $found[] = new SeenChange($change, $isIn, $wasIn, $operation->person?->name, $operation->created_at);
            }
        }

        return [$found, $touched->count() > self::MOST];
    }

    private static function head(?SeriesState $state): ?EventRecord
    {
        return $state === null || $state->isDeleted() ? null : RecordOfState::head($state);
    }
}

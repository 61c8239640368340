<?php

namespace App\Overlays;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Events\Read\DayLoads;
use App\Events\Read\Scope;
use App\Events\Read\SeenCounts;
use App\Events\Read\SeenOccurrences;
use PinnedRota\Core\Events\ClosedDays;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Overlay\Filter;

/** How full each day of a window is: counted by the database where nothing is asked of the events, else over what is seen. */
final class RulerReader
{
    public function __construct(private readonly SeenOccurrences $occurrences, private readonly SeenCounts $counts, private readonly LayersOfSheet $layers, private readonly AccessReader $access)
    {
    }

    /** @return array{list<int>, array<int, string>} how many are on each day, and what closes days, by day number */
    public function read(Perspective $perspective, SheetQuery $query): array
    {
        $sight = SheetSight::of($perspective, $query, $this->layers, $this->access);
        $layers = $sight->layers;
        [$from, $to] = [$query->from->day(), $query->to->day()];
        $asked = array_filter([$query->filter, ...$layers->filters()], static fn (Filter $filter): bool => ! $filter->isEmpty());
        $scope = new Scope($layers->calendarIds(), $query->from, $query->to, $query->zone, asked: array_values($asked), seriesIds: $sight->seriesIds);
        if ($asked === [] && $sight->party === null) {
            $loads = $this->counts->byDay($perspective, $scope);
            if ($loads !== null) {
                $closing = $this->closing($perspective, $scope);

                return [$loads, ClosedDays::of($closing, $query->zone, $from, $to)];
            }
        }

        return $this->over($sight, $query, $scope);
    }

    /** @return array{list<int>, array<int, string>} */
    private function over(SheetSight $sight, SheetQuery $query, Scope $scope): array
    {
        [$from, $to] = [$query->from->day(), $query->to->day()];
        $composition = $sight->layers->composition();
        $loads = new DayLoads($from, $to);
        $closing = $met = [];
        foreach ($this->occurrences->in($sight->perspective, $scope) as $seen) {
            $taking = $sight->takenOf($seen) === [] ? 0 : count($composition->layersOf($seen->facts));
            $same = $seen->sameness();
            if ($taking === 0 || ($same !== null && isset($met[$same]))) {
                continue;
            }
            if ($same !== null) {
                $met[$same] = true;
            }
            if ($seen->closes) {
                $closing[] = $seen->occurrence;
            }
            if (! $query->filter->takes($seen->facts)) {
                continue;
            }
            [$first, $last] = $seen->occurrence->days($query->zone);
            $loads->add($first, $last, $taking);
        }

        return [$loads->all(), ClosedDays::of($closing, $query->zone, $from, $to)];
    }

    /** @return list<IndexedOccurrence> */
    private function closing(Perspective $perspective, Scope $scope): array
    {
        $closing = [];
        foreach ($this->occurrences->in($perspective, new Scope($scope->calendarIds, $scope->from, $scope->to, $scope->zone, seriesIds: $this->counts->closingSeries($scope))) as $seen) {
            if ($seen->closes) {
                $closing[] = $seen->occurrence;
            }
        }

        return $closing;
    }
}

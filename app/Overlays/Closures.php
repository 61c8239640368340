<?php

namespace App\Overlays;

use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Events\Read\Scope;
use App\Events\Read\SeenCounts;
use App\Events\Read\SeenOccurrences;
use App\Organisation\Organisation;
use PinnedRota\Core\Events\ClosedDays;

/** The days that the organisation's calendar of closures closes, whatever is drawn. */
final class Closures
{
    /** What is said to those who do not see that calendar: that a day is closed is for everybody to know, why is not. */
    public const UNTOLD = 'closed';

    public function __construct(private readonly Organisation $organisation, private readonly SeenOccurrences $occurrences, private readonly SeenCounts $counts)
    {
    }

    /**
     * Those of a sheet, and besides them those of the organisation.
     *
     * @param  array<int, string>  $closed  by what is drawn, by day number
     * @return array<int, string> ascending
     */
    public function with(array $closed, Perspective $perspective, SheetQuery $query): array
    {
        $id = $this->organisation->settings()->closures;
        $calendar = $id === null ? null : Calendar::query()->with('source')->find($id);
        if ($calendar === null) {
            return $closed;
        }
        $scope = new Scope([$calendar->id], $query->from, $query->to, $query->zone);
        $scope = new Scope([$calendar->id], $query->from, $query->to, $query->zone, seriesIds: $this->counts->closingSeries($scope));
        $all = ClosedDays::of($this->closing(Perspective::whole($calendar), $scope), $query->zone, $query->from->day(), $query->to->day());
        $told = $all === [] ? [] : ClosedDays::of($this->closing($perspective, $scope), $query->zone, $query->from->day(), $query->to->day());
        $closed += $told + array_fill_keys(array_keys($all), self::UNTOLD);
        ksort($closed);

        return $closed;
    }

    /** @return iterable<\PinnedRota\Core\Events\IndexedOccurrence> */
    private function closing(Perspective $perspective, Scope $scope): iterable
    {
        foreach ($this->occurrences->in($perspective, $scope) as $seen) {
            if ($seen->closes && ! $seen->occurrence->private) {
                yield $seen->occurrence;
            }
        }
    }
}

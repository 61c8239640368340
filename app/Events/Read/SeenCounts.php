<?php

namespace App\Events\Read;

use App\Access\Perspective;
use App\Occurrences\OccurrenceQuery;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\Window;
use PinnedRota\Core\Time\TimeKind;

/** Counts what somebody sees in a window in the database, where that can tell: where nothing is pinned, and all is in the index. */
final class SeenCounts
{
    public function __construct(private readonly OccurrenceQuery $occurrences, private readonly InvolvedEvents $involved)
    {
    }

    /** @return ?list<int> how many are on each day of the window; null where the database cannot tell */
    public function byDay(Perspective $perspective, Scope $scope): ?array
    {
        $loads = new DayLoads($scope->from->day(), $scope->to->day());
        if ($scope->calendarIds === []) {
            return $loads->all();
        }
        $window = new Window($scope->from, $scope->to, $scope->zone);
        if ($perspective->looker !== null || ! $this->occurrences->holdsAll($scope->calendarIds, $window) || DB::table('event_pins')->whereIntegerInRaw('calendar_id', $scope->calendarIds)->exists()) {
            return null;
        }
        $at = static fn (Level $level): array => array_values(array_filter($scope->calendarIds, static fn (int $id): bool => $perspective->eventLevel($id)->includes($level)));
        $open = $at(Level::Change);
        $seen = $at(Level::See);
        // As PinnedRota\Core\Access\Visibility has it: what leaves the time free shows only where its contents do.
        $query = $this->occurrences->windowQuery($at(Level::BusyTimes), $window->axisFrom, $window->axisTo)->where(fn (Builder $shows) => $shows
            ->where('e.busy', true)->orWhereIntegerInRaw('o.calendar_id', $open)
            ->orWhere(fn (Builder $full) => $full->whereIntegerInRaw('o.calendar_id', $seen)->where(fn (Builder $private) => $private->where('e.private', false)->orWhere(fn (Builder $involved) => $this->involved->constrain($involved, $perspective->viewer, 'e')))));
        $rows = $query->groupBy('o.starts_at', 'o.ends_at', 'e.time_kind')
            ->selectRaw(OccurrenceQuery::TIMES.", e.time_kind AS kind, COUNT(DISTINCT e.uid, COALESCE(o.recurrence_id, '')) AS many")->get();
        foreach ($rows as $row) {
            $kind = TimeKind::from($row->kind);
            if (! $window->holds($kind, $row->starts, $row->ends)) {
                continue;
            }
            [$first, $last] = IndexedOccurrence::daysOf($kind, $row->starts, $row->ends, $scope->zone);
            $loads->add($first, $last, $row->many);
        }

        return $loads->all();
    }

    /** @return list<int> the series on some calendars, their own or pinned there, of which an event closes its days */
    public function closingSeries(Scope $scope): array
    {
        return DB::table('categories as c')->where('c.closes_day', true)->join('event_category as k', 'k.category_id', '=', 'c.id')->join('events as e', 'e.id', '=', 'k.event_id')
            ->where(static fn (Builder $on) => $on->whereIntegerInRaw('e.calendar_id', $scope->calendarIds)
                ->orWhereExists(static fn (Builder $pinned) => $pinned->from('event_pins as p')->whereRaw('p.event_id = COALESCE(e.series_id, e.id)')->whereIntegerInRaw('p.calendar_id', $scope->calendarIds)))
            ->distinct()->selectRaw('COALESCE(e.series_id, e.id) AS head')->pluck('head')->all();
    }
}

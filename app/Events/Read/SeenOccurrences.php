<?php

namespace App\Events\Read;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Occurrences\OccurrenceQuery;
use Generator;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Involvement;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\IndexedOccurrence;

/**
 * What somebody sees in a window: the one way by which occurrences are read for anybody, for the sheet, the ruler, the table,
 * and all that goes out. It knows of no request: who looks is given with what is asked for.
 */
final class SeenOccurrences
{
    public function __construct(private readonly OccurrenceQuery $occurrences, private readonly FactsReader $facts)
    {
    }

    /** @return Generator<int, SeenOccurrence> by start; the same event by two calendars comes by each that shows most of it */
    public function in(Perspective $perspective, Scope $scope): Generator
    {
        $found = $this->occurrences->between($scope->calendarIds, $scope->from, $scope->to, $scope->zone, $scope->seriesIds);
        if ($found === []) {
            return;
        }
        $viewer = $perspective->viewer;
        // Asked once of each calendar, not of each occurrence.
        $levels = $external = $holds = [];
        foreach ($scope->calendarIds as $id) {
            $levels[$id] = $perspective->eventLevel($id);
            $external[$id] = ($perspective->calendars[$id] ?? null)?->calendar->isSubscribed() === true;
        }
        $categories = CategoriesOfWindow::read($found);
        $participation = Participation::read($found, $viewer);
        $facts = $this->facts->read($found, $scope->asksText(), $scope->asksPeople());
        $visibility = static fn (IndexedOccurrence $each): Visibility => Visibility::of(
            $levels[$each->calendarId] ?? Level::None, $each->private, $each->busy,
            $each->private && Involvement::of($viewer, $each->createdBy, $participation->parties($each->eventId), $participation->joined($each->seriesId)),
            $each->isPinned(),
        );
        $best = $this->bestOfPinned($found, $visibility);
        foreach ($found as $each) {
            $seen = $visibility($each);
            // What one calendar shows of an event, another that it is pinned to does not hide.
            if ($best !== [] && $seen->value < ($best[$each->seriesId] ?? $seen)->value) {
                continue;
            }
            $shown = Redaction::occurrence($each, $seen);
            if ($shown === null) {
                continue;
            }
            $isFull = $seen === Visibility::Full;
            [$names, $lower, $closes] = $categories->of($shown->categoryIds);
            $known = $facts->of($shown, $lower, ! $isFull);
            if (! $scope->filter->takes($known)) {
                continue;
            }
            $isAuthor = $viewer->isAuthor($each->createdBy);
            yield new SeenOccurrence(
                $shown, $isFull, $names, $isFull ? $participation->responsible($each->eventId) : [], $isFull && $participation->isUnanswered($each->eventId),
                match (true) {
                    $perspective->readOnly => Hold::Looking,
                    ! $isFull => Hold::Hidden,
                    $each->isPinned() && ! isset($perspective->calendars[$each->homeCalendarId]) => Hold::Pinned,
                    default => ($holds["{$each->homeCalendarId} ".(int) $isAuthor] ??= [$this->hold($perspective->calendars[$each->homeCalendarId] ?? null, $isAuthor)])[0],
                },
                $external[$each->calendarId], $closes, $known,
            );
        }
    }

    private function hold(?AccessibleCalendar $calendar, bool $isAuthor): ?Hold
    {
        return $calendar === null ? Hold::Hidden : EventRights::hold($calendar->level(), $isAuthor, $calendar->calendar->isSubscribed(), $calendar->calendar->isArchived());
    }

    /**
     * How much is seen, by the calendar that shows most, of the series that are pinned somewhere in view.
     *
     * @param  list<IndexedOccurrence>  $found
     * @param  callable(IndexedOccurrence): Visibility  $visibility
     * @return array<int, Visibility> by series
     */
    private function bestOfPinned(array $found, callable $visibility): array
    {
        $best = [];
        foreach ($found as $each) {
            if ($each->isPinned()) {
                $best[$each->seriesId] = Visibility::Hidden;
            }
        }
        foreach ($best === [] ? [] : $found as $each) {
            if (isset($best[$each->seriesId])) {
                $best[$each->seriesId] = $best[$each->seriesId]->or($visibility($each));
            }
        }

        return $best;
    }
}

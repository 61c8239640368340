<?php

namespace App\Events\Read;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Occurrences\OccurrenceQuery;
use App\Pins\PinnerAccess;
use Closure;
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
    public function __construct(private readonly OccurrenceQuery $occurrences, private readonly FactsReader $facts, private readonly PinnerAccess $pinners)
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
        $external = $holds = [];
        foreach ($scope->calendarIds as $id) {
            $external[$id] = ($perspective->calendars[$id] ?? null)?->calendar->isSubscribed() === true;
        }
        $categories = CategoriesOfWindow::read($found);
        $participation = Participation::read($found, $viewer);
        $facts = $this->facts->read($found, $scope->asksText(), $scope->asksPeople());
        $pins = PinsOfWindow::read($found, $this->pinners);
        $visibility = $this->visibility($perspective, $scope, $found, $participation, $pins);
        $best = $this->bestOfPinned($found, $visibility);
        foreach ($found as $each) {
            $seen = $visibility($each);
            // What one calendar shows of an event, another that it is pinned to does not hide.
            if ($best !== [] && $seen->value < ($best[self::name($each)] ?? $seen)->value) {
                continue;
            }
            $shown = Redaction::occurrence($each, $seen);
            if ($shown === null) {
                continue;
            }
            $isFull = $seen === Visibility::Full;
            [$names, $lower, $closes] = $categories->of($shown->categoryIds);
            $isOnlyAsked = $pins?->isByBeingAsked($each) === true;
            $known = $facts->of($shown, $lower, ! $isFull, $isOnlyAsked ? (int) $viewer->personId : null);
            if (! $scope->filter->takes($known)) {
                continue;
            }
            // What is chosen for a publication may be told apart by what it does not tell.
            if ($perspective->published !== null) {
                $shown = Redaction::published($shown, $perspective->published);
                if ($shown === null) {
                    continue;
                }
                $names = $perspective->published->tellsWhere() ? $names : [];
                $isFull = $isFull && $perspective->published->tellsWhat();
                $closes = $closes && $isFull;
            }
            $isAuthor = $viewer->isAuthor($each->createdBy);
            yield new SeenOccurrence(
                $shown, $isFull, $names, $isFull && $perspective->published?->tellsWho() !== false ? $participation->responsible($each->eventId) : [], $isFull && $participation->isUnanswered($each->eventId),
                match (true) {
                    $perspective->readOnly => Hold::Looking,
                    ! $isFull => Hold::Hidden,
                    $each->isPinned() && ! isset($perspective->calendars[$each->homeCalendarId]) => Hold::Pinned,
                    default => ($holds["{$each->homeCalendarId} ".(int) $isAuthor] ??= [$this->hold($perspective->calendars[$each->homeCalendarId] ?? null, $isAuthor)])[0],
                },
                $external[$each->calendarId] || ($each->isPinned() && $pins?->isFromOutside($each) === true), $closes, $known, $isOnlyAsked,
            );
        }
    }

    private function hold(?AccessibleCalendar $calendar, bool $isAuthor): ?Hold
    {
        return $calendar === null ? Hold::Hidden : EventRights::hold($calendar->level(), $isAuthor, $calendar->calendar->isSubscribed(), $calendar->calendar->isArchived());
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @return Closure(IndexedOccurrence): Visibility
     */
    private function visibility(Perspective $perspective, Scope $scope, array $found, Participation $participation, ?PinsOfWindow $pins): Closure
    {
        $levels = [];
        foreach ($scope->calendarIds as $id) {
            $levels[$id] = $perspective->eventLevel($id);
        }
        $viewer = $perspective->viewer;
        $own = static fn (IndexedOccurrence $each): Visibility => Visibility::of(
            $levels[$each->calendarId] ?? Level::None, $each->private, $each->busy,
            $each->private && Involvement::of($viewer, $each->createdBy, $participation->parties($each->eventId), $participation->joined($each->seriesId)),
            $each->isPinned(),
        );
        $bounded = $pins === null ? $own : static fn (IndexedOccurrence $each): Visibility => $each->isPinned() ? $own($each)->atMost($pins->pinnerSees($each, $viewer, $participation->parties($each->eventId) !== [])) : $own($each);
        if ($perspective->looker === null) {
            return $bounded;
        }
        $looked = $this->visibility($perspective->looker, $scope, $found, Participation::read($found, $perspective->looker->viewer), $pins);

        return static fn (IndexedOccurrence $each): Visibility => $bounded($each)->atMost($looked($each));
    }

    /**
     * How much is seen, by the calendar that shows most, of the times that are pinned somewhere in view.
     *
     * @param  list<IndexedOccurrence>  $found
     * @param  callable(IndexedOccurrence): Visibility  $visibility
     * @return array<string, Visibility> by the name of the time
     */
    private function bestOfPinned(array $found, callable $visibility): array
    {
        $best = [];
        foreach ($found as $each) {
            if ($each->isPinned()) {
                $best[self::name($each)] = Visibility::Hidden;
            }
        }
        foreach ($best === [] ? [] : $found as $each) {
            if (isset($best[self::name($each)])) {
                $best[self::name($each)] = $best[self::name($each)]->or($visibility($each));
            }
        }

        return $best;
    }

    private static function name(IndexedOccurrence $each): string
    {
        return "{$each->seriesId} {$each->recurrenceId}";
    }
}

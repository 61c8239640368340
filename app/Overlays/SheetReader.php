<?php

namespace App\Overlays;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrence;
use App\Events\Read\SeenOccurrences;
use PinnedRota\Core\Events\ClosedDays;
use PinnedRota\Core\Overlay\ColouredBy;
use PinnedRota\Core\Overlay\Grouping;

/** What somebody sees through an overlay in a window: each occurrence in the layer that takes it. */
final class SheetReader
{
    public function __construct(private readonly SeenOccurrences $occurrences, private readonly LayersOfSheet $layers, private readonly AccessReader $access)
    {
    }

    public function read(Perspective $perspective, SheetQuery $query): Sheet
    {
        $sight = SheetSight::of($perspective, $query, $this->layers, $this->access);
        $layers = $sight->layers;
        $calendarIds = $layers->calendarIds();
        $composition = $layers->composition();
        $scope = new Scope($calendarIds, $query->from, $query->to, $query->zone, asked: [$query->filter, ...$layers->filters()], seriesIds: $sight->seriesIds, withPeople: $query->grouping === Grouping::Person || $layers->colouredBy === ColouredBy::Person);
        $colours = SheetColours::of($layers->colouredBy, $perspective, $calendarIds);
        $items = $counts = $closing = $places = $rowKeys = $rowNames = [];
        foreach ($this->occurrences->in($sight->perspective, $scope) as $seen) {
            $taking = $composition->layersOf($seen->facts);
            $people = $sight->takenOf($seen);
            if ($taking === [] || $people === []) {
                continue;
            }
            // The same event by two ways shows once; of what is hidden nobody learns that it is the same.
            $same = $seen->sameness();
            if ($same !== null && isset($places[$same])) {
                $this->alsoOn($items, $places[$same], $seen->occurrence->calendarId, $taking[0]);

                continue;
            }
            foreach ($seen->categories as $name) {
                $counts[$name] = ($counts[$name] ?? 0) + 1;
            }
            if ($seen->closes) {
                $closing[] = $seen->occurrence;
            }
            if (! $query->filter->takes($seen->facts)) {
                continue;
            }
            foreach ($taking as $layer) {
                $items[] = new SheetItem($seen, $layer, $colours->for($seen));
                if ($query->grouping !== Grouping::Layer) {
                    $rowKeys[] = $query->grouping === Grouping::Person && $people !== null && $sight->party?->people !== [] ? array_map(strval(...), $people) : $query->grouping->rowsOf($seen->facts, $layer);
                    $rowNames += $this->rowNames($query->grouping, $rowKeys[array_key_last($rowKeys)], $seen);
                }
                if ($same !== null) {
                    $places[$same][] = array_key_last($items);
                }
            }
        }
        // Whoever has nothing on has a row, too.
        $rowNames += $query->grouping === Grouping::Person ? ($sight->party->people ?? []) : [];
        ksort($counts, SORT_NATURAL | SORT_FLAG_CASE);
        $rows = RowNames::of($query->grouping, $rowNames, $perspective->calendars->only($calendarIds));
        $positions = array_flip(array_map(static fn (SheetRow $row): string => $row->key, $rows));
        foreach ($rowKeys as $index => $keys) {
            $items[$index] = $items[$index]->inRows(array_map(static fn (string $key): int => $positions[$key], $keys));
        }

        return new Sheet($layers->all, $items, $counts, ClosedDays::of($closing, $query->zone, $query->from->day(), $query->to->day()), $perspective->readOnly, $rows, $colours->told());
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, string> what rows are called as the event writes it, by key
     */
    private function rowNames(Grouping $grouping, array $keys, SeenOccurrence $seen): array
    {
        $names = [];
        foreach ($keys as $key) {
            $names[$key] = match ($grouping) {
                Grouping::Place => trim($seen->occurrence->place),
                Grouping::Category => collect($seen->categories)->first(fn (string $name): bool => mb_strtolower($name) === $key, $key),
                default => $key,
            };
        }

        return $names;
    }

    /**
     * Says on the items of an event that it is on another calendar, too, and shows it in the earlier of the layers.
     *
     * @param  array<int, SheetItem>  $items
     * @param  list<int>  $places
     */
    private function alsoOn(array &$items, array $places, int $calendarId, int $layer): void
    {
        foreach ($places as $place) {
            $items[$place] = $items[$place]->alsoOn($calendarId, count($places) === 1 ? min($layer, $items[$place]->layer) : $items[$place]->layer);
        }
    }
}

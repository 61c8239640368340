<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Access\Sight;
use App\Calendars\Category;
use App\Events\IndexedOccurrence;
use App\Events\OccurrenceQuery;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Overlay\Layer;
use PinnedRota\Core\Time\TimeKind;

/** What a viewer sees through an overlay in a window: each occurrence in the layer that takes it. */
final class SheetReader
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly OccurrenceQuery $occurrences, private readonly LayerConditions $conditions, private readonly FactsReader $facts)
    {
    }

    public function read(SheetRequest $request): Sheet
    {
        $sight = $this->viewer->sight($request->as());
        $overlay = $this->overlay($request);
        $layers = $this->layers($request, $overlay, $sight);
        $calendarIds = array_values(array_unique(array_merge([], ...array_map(fn (DrawnLayer $layer): array => $layer->calendarIds, $layers))));
        $found = $this->occurrences->between($calendarIds, $request->from(), $request->to(), $request->zone());
        $categories = $this->categories($found);
        $composition = new Composition(array_map(fn (DrawnLayer $layer): Layer => new Layer($layer->calendarIds, $layer->filter, $layer->isRest), $layers), $overlay->every_layer ?? false);
        $grouping = $request->grouping();
        $more = $this->facts->read($found, $layers, $request->filled('words'), $request->people() !== [] || $grouping === Grouping::Person);
        $quick = $request->filter();
        // Asked once of each calendar, not of each occurrence.
        $shown = $sight->calendars->only($calendarIds)->all();
        $levels = array_map(static fn (AccessibleCalendar $each): Level => $each->eventLevel(), $shown);
        $external = array_map(static fn (AccessibleCalendar $each): bool => $each->calendar->isSubscribed(), $shown);
        $holds = array_map(fn (AccessibleCalendar $each): array => array_map(fn (bool $isAuthor): ?Hold => $this->hold($each, $isAuthor), [false, true]), $shown);
        $participation = Participation::read($found, $sight);
        $best = $this->bestOfPinned($found, $sight, $participation);
        $items = $counts = $closing = $places = $rowKeys = $rowNames = [];
        foreach ($found as $occurrence) {
            $isAuthor = $occurrence->createdBy === $sight->personId;
            $level = $levels[$occurrence->calendarId];
            $pinned = $occurrence->homeCalendarId !== $occurrence->calendarId;
            $visibility = Visibility::of($level, $occurrence->private, $occurrence->busy, $isAuthor || $participation->takesPart($occurrence), $pinned);
            // What one calendar shows of an event, another that it is pinned to does not hide.
            if ($visibility === Visibility::Hidden || ($best !== [] && $visibility->value < ($best[$occurrence->seriesId] ?? $visibility)->value)) {
                continue;
            }
            $full = $visibility === Visibility::Full;
            [$names, $lower, $closes] = $categories[$occurrence->categoryIds];
            $facts = $full ? $more->of($occurrence, $lower) : new EventFacts($occurrence->calendarId, true, allDay: $occurrence->kind === TimeKind::Date);
            $taking = $composition->layersOf($facts);
            if ($taking === []) {
                continue;
            }
            // The same event by two ways shows once; of what is hidden nobody learns that it is the same.
            $same = $full ? "{$occurrence->uid} ".($occurrence->recurrenceId ?? $occurrence->starts) : null;
            if ($same !== null && isset($places[$same])) {
                $this->alsoOn($items, $places[$same], $occurrence->calendarId, $taking[0]);

                continue;
            }
            if ($full) {
                foreach ($names as $name) {
                    $counts[$name] = ($counts[$name] ?? 0) + 1;
                }
                if ($closes) {
                    $closing[] = $occurrence;
                }
            }
            if ($quick->takes($facts)) {
                $hold = match (true) {
                    $sight->readOnly => Hold::Looking,
                    ! $full => Hold::Hidden,
                    $pinned => isset($sight->calendars[$occurrence->homeCalendarId]) ? $this->hold($sight->calendars[$occurrence->homeCalendarId], $isAuthor) : Hold::Pinned,
                    default => $holds[$occurrence->calendarId][(int) $isAuthor],
                };
                foreach ($taking as $layer) {
                    $items[] = new SheetItem(
                        $occurrence, $layer, $visibility, $full ? $names : [], $hold, $external[$occurrence->calendarId],
                        $full ? $participation->responsible($occurrence->eventId) : [], $full && $participation->isUnanswered($occurrence->eventId),
                    );
                    if ($grouping !== Grouping::Layer) {
                        $rowKeys[] = $grouping->rowsOf($facts, $layer);
                        $rowNames += $this->rowNames($grouping, $rowKeys[array_key_last($rowKeys)], $occurrence, $names);
                    }
                    if ($same !== null) {
                        $places[$same][] = array_key_last($items);
                    }
                }
            }
        }
        ksort($counts, SORT_NATURAL | SORT_FLAG_CASE);
        $rows = RowNames::of($grouping, $rowNames, $sight->calendars->only($calendarIds));
        $positions = array_flip(array_map(static fn (SheetRow $row): string => $row->key, $rows));
        foreach ($rowKeys as $index => $keys) {
            $items[$index] = $items[$index]->inRows(array_map(static fn (string $key): int => $positions[$key], $keys));
        }

        return new Sheet($layers, $items, $counts, $closing, $sight->readOnly, $rows);
    }

    private function hold(AccessibleCalendar $calendar, bool $isAuthor): ?Hold
    {
        return EventRights::hold($calendar->level(), $isAuthor, $calendar->calendar->isSubscribed(), $calendar->calendar->isArchived());
    }

    /**
     * How much is seen, by the calendar that shows most, of the series that are pinned somewhere in view.
     *
     * @param  list<IndexedOccurrence>  $found
     * @return array<int, Visibility> by series
     */
    private function bestOfPinned(array $found, Sight $sight, Participation $participation): array
    {
        $pinned = [];
        foreach ($found as $each) {
            if ($each->homeCalendarId !== $each->calendarId) {
                $pinned[$each->seriesId] = Visibility::Hidden;
            }
        }
        foreach ($pinned === [] ? [] : $found as $each) {
            if (isset($pinned[$each->seriesId])) {
                $pinned[$each->seriesId] = $pinned[$each->seriesId]->or(Visibility::of(
                    $sight->calendars[$each->calendarId]->eventLevel(), $each->private, $each->busy, $each->createdBy === $sight->personId || $participation->takesPart($each), $each->isPinned(),
                ));
            }
        }

        return $pinned;
    }

    /**
     * @param  list<string>  $keys
     * @param  list<string>  $categories  as written
     * @return array<string, string> what rows are called as the event writes it, by key
     */
    private function rowNames(Grouping $grouping, array $keys, IndexedOccurrence $occurrence, array $categories): array
    {
        $names = [];
        foreach ($keys as $key) {
            $names[$key] = match ($grouping) {
                Grouping::Place => trim($occurrence->place),
                Grouping::Category => collect($categories)->first(fn (string $name): bool => mb_strtolower($name) === $key, $key),
                default => $key,
            };
        }

        return $names;
    }

    /**
     * Says on the items of an event that it is on another calendar, too, and shows it in the earlier of the layers.
     *
     * @param  list<SheetItem>  $items
     * @param  list<int>  $places
     */
    private function alsoOn(array &$items, array $places, int $calendarId, int $layer): void
    {
        foreach ($places as $place) {
            $items[$place] = $items[$place]->alsoOn($calendarId, count($places) === 1 ? min($layer, $items[$place]->layer) : $items[$place]->layer);
        }
    }

    private function overlay(SheetRequest $request): ?Overlay
    {
        return $request->filled('overlay') && ! $request->filled('calendar')
            ? $this->viewer->overlay($request->query('overlay'), Level::Read)->load('layers.calendars:id')
            : null;
    }

    /** @return list<DrawnLayer> */
    private function layers(SheetRequest $request, ?Overlay $overlay, Sight $sight): array
    {
        $visible = $sight->calendars;
        if ($request->filled('calendar')) {
            $calendar = $this->viewer->calendar($request->query('calendar'), $request->as() === null ? Level::BusyTimes : Level::Manage)->calendar;
            $visible = $visible->only([$calendar->id]);
        } elseif ($overlay !== null) {
            return $this->overlayLayers($overlay, $sight);
        }

        $drawn = $request->filled('calendar') ? $visible : $visible->filter(fn (AccessibleCalendar $each): bool => $each->isOnList());

        return $drawn->map(fn (AccessibleCalendar $each): DrawnLayer => new DrawnLayer(
            $each->calendar->name,
            match (true) {
                $each->calendar->isSubscribed() => 'source',
                $each->level() === Level::BusyTimes => 'busy times',
                default => '',
            },
            $each->calendar->colour->value, $each->calendar->mark->value, [$each->calendar->id], new Filter,
        ))->values()->all();
    }

    /** @return list<DrawnLayer> */
    private function overlayLayers(Overlay $overlay, Sight $sight): array
    {
        $listed = $sight->calendars->filter(fn (AccessibleCalendar $each): bool => $each->isOnList());
        $chosen = $overlay->layers->flatMap(fn (LayerRecord $layer): array => $layer->calendars->modelKeys())->unique();

        return $overlay->layers->map(function (LayerRecord $layer) use ($sight, $listed, $chosen): DrawnLayer {
            $calendars = match ($layer->takes) {
                'all' => $listed,
                'group' => $sight->calendars->filter(fn (AccessibleCalendar $each): bool => $each->calendar->keeper_kind === SubjectKind::Group && $each->calendar->keeper_id === $layer->group_id && ! $each->calendar->isArchived()),
                // Everything else of the calendars that are in the overlay, or of one's list where it is of no few.
                'rest' => $layer->calendars->isNotEmpty() ? $sight->calendars->only($layer->calendars->modelKeys()) : $listed->union($sight->calendars->only($chosen->all())),
                // In the order in which they were chosen: the first that one may add to is the target.
                default => collect($layer->calendars->modelKeys())->filter(fn (int $id): bool => $sight->calendars->has($id))->mapWithKeys(fn (int $id): array => [$id => $sight->calendars[$id]]),
            };
            $asked = array_column($layer->conditions(), 'about');

            return new DrawnLayer(
                $layer->name, $this->about($layer, $calendars), $layer->colour->value, $layer->mark->value, $calendars->keys()->all(),
                $this->conditions->filter($layer->conditions(), $sight->personId), $layer->takes === 'rest', in_array('words', $asked, true), in_array('people', $asked, true), $layer->pattern->value,
            );
        })->values()->all();
    }

    /** @param  Collection<int, AccessibleCalendar>  $shown */
    private function about(LayerRecord $layer, Collection $shown): string
    {
        $name = match ($shown->count()) {
            0 => 'nothing that you may see',
            1 => $shown->first()->calendar->name,
            default => "{$shown->count()} calendars",
        };

        $kind = ['all' => 'all on your list', 'rest' => 'everything else'][$layer->takes] ?? ($name === $layer->name ? '' : $name);

        return implode(' · ', array_filter([$kind, ...array_map(ConditionWords::of(...), $layer->conditions())]));
    }

    /**
     * @param  list<IndexedOccurrence>  $occurrences
     * @return array<string, array{list<string>, list<string>, bool}> by the ids as an occurrence has them: names, names in lower case, whether they close a day
     */
    private function categories(array $occurrences): array
    {
        $combinations = [];
        foreach ($occurrences as $each) {
            $combinations[$each->categoryIds] = array_filter(explode(',', $each->categoryIds));
        }
        $all = Category::query()->whereIntegerInRaw('id', array_unique(array_merge(...array_values($combinations) ?: [[]])))->get()->keyBy('id');

        return array_map(function (array $ids) use ($all): array {
            $categories = $all->only($ids)->sortBy('name', SORT_NATURAL | SORT_FLAG_CASE);
            $names = $categories->pluck('name')->values()->all();

            return [$names, array_map(mb_strtolower(...), $names), $categories->contains('closes_day', true)];
        }, $combinations);
    }
}

<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Access\Sight;
use App\Calendars\Category;
use App\Events\IndexedOccurrence;
use App\Events\OccurrenceQuery;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Layer;

/** What a viewer sees through an overlay in a window: each occurrence in the layer that takes it. */
final class SheetReader
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly OccurrenceQuery $occurrences)
    {
    }

    public function read(SheetRequest $request): Sheet
    {
        $sight = $this->viewer->sight($request->as());
        $layers = $this->layers($request, $sight->calendars);
        $calendarIds = array_values(array_unique(array_merge([], ...array_map(fn (DrawnLayer $layer): array => $layer->calendarIds, $layers))));
        $found = $this->occurrences->between($calendarIds, $request->from(), $request->to(), $request->zone());
        $categories = $this->categories($found);
        $composition = new Composition(array_map(fn (DrawnLayer $layer): Layer => new Layer($layer->calendarIds, $layer->filter), $layers));
        $quick = new Filter($request->categories());
        $levels = array_map(fn (AccessibleCalendar $each): Level => $each->eventLevel(), $sight->calendars->only($calendarIds)->all());
        $takesPart = $this->takesPart($found, $sight);
        $items = $counts = $closing = [];
        foreach ($found as $occurrence) {
            $isAuthor = $occurrence->createdBy === $sight->personId;
            $level = $levels[$occurrence->calendarId];
            $visibility = Visibility::of($level, $occurrence->private, $occurrence->busy, $isAuthor || isset($takesPart[$occurrence->eventId]));
            if ($visibility === Visibility::Hidden) {
                continue;
            }
            $full = $visibility === Visibility::Full;
            [$names, $lower, $closes] = $categories[$occurrence->categoryIds];
            $facts = new EventFacts($occurrence->calendarId, $full ? $lower : null);
            $layer = $composition->layerOf($facts);
            if ($layer === null) {
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
                $items[] = new SheetItem($occurrence, $layer, $visibility, $full ? $names : [], $full && ! $sight->readOnly && EventRights::mayChange($level, $isAuthor));
            }
        }
        ksort($counts, SORT_NATURAL | SORT_FLAG_CASE);

        return new Sheet($layers, $items, $counts, $closing, $sight->readOnly);
    }

    /**
     * The private events in which the viewer takes part: asked of those alone, as it is of no matter for others.
     *
     * @param  list<IndexedOccurrence>  $found
     * @return array<int, true> by the id of the event
     */
    private function takesPart(array $found, Sight $sight): array
    {
        $private = [];
        foreach ($found as $occurrence) {
            if ($occurrence->private) {
                $private[$occurrence->eventId] = true;
            }
        }

        return $private === [] ? [] : DB::table('event_participants')->whereIntegerInRaw('event_id', array_keys($private))
            ->where('address', mb_strtolower($sight->address))->pluck('event_id')->mapWithKeys(fn (int $id): array => [$id => true])->all();
    }

    /**
     * @param  Collection<int, AccessibleCalendar>  $visible
     * @return list<DrawnLayer>
     */
    private function layers(SheetRequest $request, Collection $visible): array
    {
        if ($request->filled('calendar')) {
            $calendar = $this->viewer->calendar($request->query('calendar'), $request->as() === null ? Level::BusyTimes : Level::Manage)->calendar;
            $visible = $visible->only([$calendar->id]);
        } elseif ($request->filled('overlay')) {
            $overlay = $this->viewer->overlay($request->query('overlay'), Level::Read)->load('layers.calendars:id');

            return $overlay->layers->map(fn (LayerRecord $layer): DrawnLayer => new DrawnLayer(
                $layer->name,
                $this->about($layer, $visible),
                $layer->colour->value, $layer->mark->value,
                $layer->calendars->pluck('id')->filter(fn (int $id): bool => $visible->has($id))->values()->all(),
                $layer->toFilter(),
            ))->values()->all();
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

    /** @param  Collection<int, AccessibleCalendar>  $visible */
    private function about(LayerRecord $layer, Collection $visible): string
    {
        $shown = $visible->only($layer->calendars->modelKeys());
        $name = match ($shown->count()) {
            0 => 'nothing that you may see',
            1 => $shown->first()->calendar->name,
            default => "{$shown->count()} calendars",
        };

        return implode(' · ', array_filter([$name === $layer->name ? '' : $name, implode(', ', $layer->filter['anyCategory'] ?? [])]));
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

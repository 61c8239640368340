<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Events\IndexedOccurrence;
use App\Events\OccurrenceQuery;
use Illuminate\Support\Facades\DB;
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
        $layers = $this->layers($request);
        $calendarIds = array_values(array_unique(array_merge([], ...array_map(fn (DrawnLayer $layer): array => $layer->calendarIds, $layers))));
        $found = $this->occurrences->between($calendarIds, $request->from(), $request->to(), $request->zone());
        $categories = $this->categories($found);
        $composition = new Composition(array_map(fn (DrawnLayer $layer): Layer => new Layer($layer->calendarIds, $layer->filter), $layers));
        $quick = new Filter($request->categories());
        $calendars = $this->viewer->calendars();
        $viewerId = $this->viewer->person()->id;
        $items = $counts = $closing = [];
        foreach ($found as $occurrence) {
            $isAuthor = $occurrence->createdBy === $viewerId;
            $level = $calendars[$occurrence->calendarId]->eventLevel();
            $visibility = Visibility::of($level, $occurrence->private, $occurrence->busy, $isAuthor);
            if ($visibility === Visibility::Hidden) {
                continue;
            }
            $known = $visibility === Visibility::Full ? ($categories['names'][$occurrence->eventId] ?? []) : null;
            $facts = new EventFacts($occurrence->calendarId, $known === null ? null : array_map(mb_strtolower(...), $known));
            $layer = $composition->layerOf($facts);
            if ($layer === null) {
                continue;
            }
            foreach ($known ?? [] as $name) {
                $counts[$name] = ($counts[$name] ?? 0) + 1;
            }
            if ($known !== null && isset($categories['closing'][$occurrence->eventId])) {
                $closing[] = $occurrence;
            }
            if ($quick->takes($facts)) {
                $items[] = new SheetItem($occurrence, $layer, $visibility, $known ?? [], $level, $isAuthor);
            }
        }
        ksort($counts, SORT_NATURAL | SORT_FLAG_CASE);

        return new Sheet($layers, $items, $counts, $closing);
    }

    /** @return list<DrawnLayer> */
    private function layers(SheetRequest $request): array
    {
        $visible = $this->viewer->calendars();
        if ($request->filled('calendar')) {
            $visible = collect([$this->viewer->calendar($request->query('calendar'), Level::BusyTimes)]);
        } elseif ($request->filled('overlay')) {
            $overlay = $this->viewer->overlay($request->query('overlay'), Level::Read)->load('layers.calendars');

            return $overlay->layers->map(fn (LayerRecord $layer): DrawnLayer => new DrawnLayer(
                $layer->name,
                $this->about($layer),
                $layer->colour->value, $layer->mark->value,
                $layer->calendars->pluck('id')->filter(fn (int $id): bool => $visible->has($id))->values()->all(),
                $layer->toFilter(),
            ))->values()->all();
        }

        return $visible->map(fn (AccessibleCalendar $each): DrawnLayer => new DrawnLayer(
            $each->calendar->name,
            match (true) {
                $each->calendar->isSubscribed() => 'source',
                $each->level() === Level::BusyTimes => 'busy times',
                default => '',
            },
            $each->calendar->colour->value, $each->calendar->mark->value, [$each->calendar->id], new Filter,
        ))->values()->all();
    }

    private function about(LayerRecord $layer): string
    {
        $count = $layer->calendars->count();
        $about = $layer->filter['anyCategory'] ?? [];

        return implode(' · ', array_filter([
            $count === 1 ? ($layer->calendars[0]->name === $layer->name ? '' : $layer->calendars[0]->name) : "{$count} calendars",
            implode(', ', $about),
        ]));
    }

    /**
     * @param  list<IndexedOccurrence>  $occurrences
     * @return array{names: array<int, list<string>>, closing: array<int, true>} by event
     */
    private function categories(array $occurrences): array
    {
        $events = array_values(array_unique(array_map(fn (IndexedOccurrence $each): int => $each->eventId, $occurrences)));
        $names = $closing = [];
        foreach (array_chunk($events, 2000) as $chunk) {
            $rows = DB::table('event_category')->join('categories', 'categories.id', '=', 'event_category.category_id')
                ->whereIn('event_category.event_id', $chunk)->orderBy('categories.name')
                ->get(['event_category.event_id', 'categories.name', 'categories.closes_day']);
            foreach ($rows as $row) {
                $names[$row->event_id][] = $row->name;
                if ($row->closes_day) {
                    $closing[$row->event_id] = true;
                }
            }
        }

        return ['names' => $names, 'closing' => $closing];
    }
}

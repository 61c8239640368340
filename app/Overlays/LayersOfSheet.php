<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Calendars\Calendar;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Overlay\Filter;

/** The layers through which somebody looks: those of an overlay, or a layer for each calendar. */
final class LayersOfSheet
{
    public function __construct(private readonly LayerConditions $conditions)
    {
    }

    public function of(Perspective $perspective, SheetQuery $query): DrawnLayers
    {
        return $this->through($perspective, $query->overlay, $query->calendar);
    }

    /** Those of a calendar alone, else of an overlay, else of all that is on one’s list. */
    public function through(Perspective $perspective, ?Overlay $overlay, ?Calendar $calendar): DrawnLayers
    {
        if ($overlay !== null && $calendar === null) {
            return new DrawnLayers($this->ofOverlay($overlay->loadMissing('layers.calendars:id'), $perspective), $overlay->every_layer, $overlay->coloured_by);
        }
        $drawn = $calendar !== null
            ? $perspective->calendars->only([$calendar->id])
            : $perspective->calendars->filter(fn (AccessibleCalendar $each): bool => $each->isOnList());

        return new DrawnLayers($drawn->map(fn (AccessibleCalendar $each): DrawnLayer => new DrawnLayer(
            $each->calendar->name,
            match (true) {
                $each->calendar->isSubscribed() => 'source',
                $each->level() === Level::BusyTimes => 'busy times',
                default => '',
            },
            $each->colour(), $each->mark(), [$each->calendar->id], new Filter,
        ))->values()->all());
    }

    /** @return list<DrawnLayer> */
    private function ofOverlay(Overlay $overlay, Perspective $perspective): array
    {
        $visible = $perspective->calendars;
        $listed = $visible->filter(fn (AccessibleCalendar $each): bool => $each->isOnList());
        $chosen = $overlay->layers->flatMap(fn (LayerRecord $layer): array => $layer->calendars->modelKeys())->unique();

        $of = $overlay->layers->map(static fn (LayerRecord $layer): ?Collection => match ($layer->takes) {
            'all' => $listed,
            // Whatever the others have, which is known after them.
            'overlay' => null,
            'group' => $visible->filter(fn (AccessibleCalendar $each): bool => $each->calendar->keeper_kind === SubjectKind::Group && $each->calendar->keeper_id === $layer->group_id && ! $each->calendar->isArchived()),
            // Everything else of the calendars that are in the overlay, or of one's list where it is of no few.
            'rest' => $layer->calendars->isNotEmpty() ? $visible->only($layer->calendars->modelKeys()) : $listed->union($visible->only($chosen->all())),
            // In the order in which they were chosen: the first that one may add to is the target.
            default => collect($layer->calendars->modelKeys())->filter(fn (int $id): bool => $visible->has($id))->mapWithKeys(fn (int $id): array => [$id => $visible[$id]]),
        });
        $others = $of->reduce(static fn (Collection $all, ?Collection $calendars): Collection => $all->union($calendars ?? []), collect());

        return $overlay->layers->map(function (LayerRecord $layer, int $index) use ($of, $others, $perspective): DrawnLayer {
            $calendars = $of[$index] ?? $others;

            return new DrawnLayer(
                $layer->name, $this->about($layer, $calendars), $layer->colour, $layer->mark, $calendars->keys()->all(),
                $this->conditions->filter($layer->conditions(), (int) $perspective->viewer->personId), $layer->takes === 'rest', $layer->pattern,
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
        $kind = ['all' => 'all on your list', 'overlay' => 'all in this overlay', 'rest' => 'everything else'][$layer->takes] ?? ($name === $layer->name ? '' : $name);

        return implode(' · ', array_filter([$kind, ...array_map(ConditionWords::of(...), $layer->conditions())]));
    }
}

<?php

namespace App\Notices;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\Read\FactsOfEvent;
use App\Events\Read\SeenSeries;
use App\Overlays\DrawnLayers;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\Filter;

/** In which layer of a sheet a time of an event is, or was. */
final class LayerOfChange
{
    private readonly Composition $composition;

    /** @var list<int> */
    private readonly array $calendarIds;

    public function __construct(DrawnLayers $layers, private readonly Perspective $perspective, private readonly Filter $filter, private readonly SeenSeries $seen, private readonly FactsOfEvent $facts)
    {
        $this->composition = $layers->composition();
        $this->calendarIds = $layers->calendarIds();
    }

    /** By the first of its calendars that is in view; null where there is none, no layer takes it, or it is not asked for. */
    public function occurrence(?Occurrence $occurrence, ?EventRecord $head): ?int
    {
        if ($occurrence === null || $head === null) {
            return null;
        }
        $facts = $this->facts->of($head, $occurrence->event);
        foreach (array_intersect(array_keys($this->seen->ways($head, $this->perspective)), $this->calendarIds) as $id) {
            $layers = $this->filter->takes($facts->on($id)) ? $this->composition->layersOf($facts->on($id)) : [];
            if ($layers !== []) {
                return $layers[0];
            }
        }

        return null;
    }
}

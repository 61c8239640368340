<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Layers over each other: each event shows once, in the first layer in order that takes it. */
final readonly class Composition
{
    /** @var array<int, array<int, Layer>> the layers that a calendar is in, by calendar and index */
    private array $byCalendar;

    /** @param  list<Layer>  $layers in order */
    public function __construct(array $layers)
    {
        $byCalendar = [];
        foreach ($layers as $index => $layer) {
            foreach ($layer->calendarIds as $calendarId) {
                $byCalendar[$calendarId][$index] = $layer;
            }
        }
        $this->byCalendar = $byCalendar;
    }

    /** The index of the layer that shows the event, or null where none takes it. */
    public function layerOf(EventFacts $event): ?int
    {
        foreach ($this->byCalendar[$event->calendarId] ?? [] as $index => $layer) {
            if ($layer->filter->takes($event)) {
                return $index;
            }
        }

        return null;
    }
}

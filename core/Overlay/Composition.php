<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Layers over each other: each event shows once, in the first layer in order that takes it, or where so chosen in every one. */
final readonly class Composition
{
    /** @var array<int, array<int, Layer>> the layers that a calendar is in, by calendar and index; those for everything else last */
    private array $byCalendar;

    /** @param  list<Layer>  $layers in order */
    public function __construct(array $layers, private bool $everyLayer = false)
    {
        $byCalendar = [];
        foreach ([false, true] as $rest) {
            foreach ($layers as $index => $layer) {
                foreach ($layer->isRest === $rest ? $layer->calendarIds : [] as $calendarId) {
                    $byCalendar[$calendarId][$index] = $layer;
                }
            }
        }
        $this->byCalendar = $byCalendar;
    }

    /**
     * The indexes of the layers that show the event: none or one; of an overlay that shows in every layer, each that
     * takes it, and those for everything else only where no other does.
     *
     * @return list<int>
     */
    public function layersOf(EventFacts $event): array
    {
        $found = [];
        foreach ($this->byCalendar[$event->calendarId] ?? [] as $index => $layer) {
            if ($found !== [] && $layer->isRest) {
                break;
            }
            if ($layer->filter->takes($event)) {
                $found[] = $index;
                if (! $this->everyLayer) {
                    break;
                }
            }
        }

        return $found;
    }
}

<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Layers over each other: each event shows once, in the first layer in order that takes it. */
final readonly class Composition
{
    /** @param  list<Layer>  $layers in order */
    public function __construct(private array $layers)
    {
    }

    /** The index of the layer that shows the event, or null where none takes it. */
    public function layerOf(EventFacts $event): ?int
    {
        foreach ($this->layers as $index => $layer) {
            if ($layer->takes($event)) {
                return $index;
            }
        }

        return null;
    }
}

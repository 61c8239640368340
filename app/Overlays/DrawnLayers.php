<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\ColouredBy;
use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Layer;

/** The layers through which somebody looks, in order: what is to be read for them, and which of them takes an event. */
final readonly class DrawnLayers
{
    /**
     * @param  list<DrawnLayer>  $all
     * @param  bool  $everyTakes  whether an event is in each layer that takes it, not only in the first
     * @param  ColouredBy  $colouredBy  what the colours of events stand for
     */
    public function __construct(public array $all, private bool $everyTakes = false, public ColouredBy $colouredBy = ColouredBy::Layer)
    {
    }

    /** The same with the colours of layers: what else a colour stands for is not for everybody. */
    public function plain(): self
    {
        return new self($this->all, $this->everyTakes);
    }

    /** The same, each of which takes only what a filter takes, too. */
    public function narrowed(Filter $filter): self
    {
        return $filter->isEmpty() ? $this : new self(array_map(static fn (DrawnLayer $each): DrawnLayer => $each->narrowed($filter), $this->all), $this->everyTakes, $this->colouredBy);
    }

    /** @return list<int> the calendars of all of them, each once */
    public function calendarIds(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(static fn (DrawnLayer $layer): array => $layer->calendarIds, $this->all))));
    }

    /** @return list<Filter> what they ask of events */
    public function filters(): array
    {
        return array_map(static fn (DrawnLayer $layer): Filter => $layer->filter, $this->all);
    }

    public function composition(): Composition
    {
        return new Composition(array_map(static fn (DrawnLayer $layer): Layer => new Layer($layer->calendarIds, $layer->filter, $layer->isRest), $this->all), $this->everyTakes);
    }
}

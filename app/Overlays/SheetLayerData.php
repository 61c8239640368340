<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use Illuminate\Support\Collection;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/** A layer of the sheet. */
final readonly class SheetLayerData
{
    /**
     * @param  ?string  $target  The calendar that an event goes on that is begun in it; null where none may be added to, or any will do
     * @param  ?string  $refusal  Why nothing can be put into it; null where something can
     * @param  list<string>  $calendars
     * @param  ?string  $failingSince  Since when something in it is shown as it was last fetched from elsewhere; null where all is as it should be
     * @param  BegunData  $begun  What an event has that is begun in it
     */
    public function __construct(
        public string $name,
        public string $about,
        public Colour $colour,
        public Mark $mark,
        public Pattern $pattern,
        public array $calendars,
        public ?string $target,
        public ?string $refusal,
        public ?string $failingSince,
        public BegunData $begun,
    ) {
    }

    /** @param  Collection<int, AccessibleCalendar>  $calendars  those that the viewer sees, by id */
    public static function of(DrawnLayer $layer, Collection $calendars, bool $readOnly): self
    {
        // Of people more may be drawn than the viewer sees: of that they are told no name.
        $shown = collect($layer->calendarIds)->map(static fn (int $id) => $calendars[$id] ?? null)->filter()->values();
        $target = $readOnly || $layer->anyTarget ? null : $shown->first(static fn (AccessibleCalendar $each): bool => $each->mayAdd());

        return new self(
            $layer->name, $layer->about, $layer->colour, $layer->mark, $layer->pattern, $shown->map(static fn (AccessibleCalendar $each): string => $each->calendar->slug)->all(),
            $target?->calendar->slug, $target === null && ($readOnly || ! $layer->anyTarget) ? "You may not add to {$layer->name}." : null,
            $shown->map(static fn (AccessibleCalendar $each): ?string => $each->calendar->source?->failing_since?->toIso8601ZuluString())->filter()->min(), BegunData::of($layer->filter->begun()),
        );
    }
}

<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Api\LeavesOutNull;
use App\Calendars\Calendar;
use Illuminate\Support\Collection;
use JsonSerializable;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/** A layer of an overlay, with the calendars in it that the viewer sees. */
final readonly class OverlayLayerData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  list<string>  $calendars
     * @param  'chosen'|'all'|'group'|'overlay'|'rest'  $takes
     * @param  list<ConditionData>  $conditions  All of which must hold
     * @param  ?int  $id  By it a layer keeps the calendars that who changes it does not see
     * @param  ?int  $hidden  How many calendars in it the viewer does not see, told to those who manage the overlay
     */
    public function __construct(
        public string $name,
        public Colour $colour,
        public Mark $mark,
        public Pattern $pattern,
        public array $calendars,
        public string $takes,
        public ?int $group,
        public array $conditions,
        public ?int $id = null,
        public ?int $hidden = null,
    ) {
    }

    /**
     * @param  Collection<int, AccessibleCalendar>  $visible  the calendars that the viewer sees, by id
     * @param  bool  $manages  whether they are told that it has calendars which they themselves do not see
     */
    public static function of(LayerRecord $layer, Collection $visible, bool $manages): self
    {
        [$seen, $hidden] = $layer->calendars->partition(static fn (Calendar $calendar): bool => $visible->has($calendar->id));

        return new self(
            name: $layer->name,
            colour: $layer->colour,
            mark: $layer->mark,
            pattern: $layer->pattern,
            calendars: $seen->pluck('slug')->values()->all(),
            takes: $layer->takes,
            group: $layer->group_id,
            conditions: ConditionData::many($layer->conditions()),
            id: $layer->id,
            hidden: $manages ? $hidden->count() : 0,
        );
    }
}

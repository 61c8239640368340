<?php

namespace App\Overlays;

use App\Api\LeavesOutNull;
use JsonSerializable;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;

/** An occurrence in the layer that shows it. Times are on the wall of the sheet; all-day ones are dates; ends are exclusive. */
final readonly class SheetItemData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  list<string>  $also  Further calendars on which it is
     * @param  list<string>  $categories
     * @param  list<string>  $responsible  Names
     * @param  ?Hold  $hold  What, if anything, keeps the viewer from changing it
     * @param  bool  $external  Whether it comes from a source
     * @param  bool  $unanswered  Whether the viewer is asked to take part and has not answered
     * @param  ?bool  $pinned  Told where it shows on several calendars by a pin
     * @param  ?Colour  $colour  Its own, whatever the layer has; told where there is one
     * @param  ?list<int>  $rows  Where rows are asked for: those in which it stands
     */
    public function __construct(
        public int $id,
        public ?string $occurrence,
        public int $layer,
        public string $calendar,
        public array $also,
        public string $title,
        public string $place,
        public array $categories,
        public array $responsible,
        public bool $allDay,
        public string $start,
        public string $end,
        public Status $status,
        public bool $busyOnly,
        public bool $private,
        public bool $repeats,
        public ?Hold $hold,
        public bool $external,
        public bool $unanswered,
        public ?bool $pinned = null,
        public ?Colour $colour = null,
        public ?array $rows = null,
    ) {
    }
}

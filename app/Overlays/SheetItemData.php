<?php

namespace App\Overlays;

use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;

/** An occurrence in the layer that shows it. Times are on the wall of the sheet; all-day ones are dates; ends are exclusive. */
final readonly class SheetItemData
{
    // What few items have. A window has thousands: what is not set is not told, without another look at each of them.
    public bool $pinned; // @phpstan-ignore property.uninitializedReadonly

    public Colour $colour; // @phpstan-ignore property.uninitializedReadonly

    /** @var list<int> */
    public array $rows; // @phpstan-ignore property.uninitializedReadonly

    public bool $moreFollow; // @phpstan-ignore property.uninitializedReadonly

    /**
     * @param  list<string>  $also  Further calendars on which it is
     * @param  string  $calendar  Empty where the viewer does not see it: on a sheet of people
     * @param  list<string>  $categories
     * @param  list<string>  $responsible  Names
     * @param  ?Hold  $hold  What, if anything, keeps the viewer from changing it
     * @param  bool  $external  Whether it comes from a source
     * @param  bool  $unanswered  Whether the viewer is asked to take part and has not answered
     * @param  ?bool  $pinned  Told where it shows on several calendars by a pin
     * @param  ?Colour  $colour  Where it has another than its layer: its own, or what stands for what the overlay tells apart by colours
     * @param  ?bool  $moreFollow  Told of the last time that is told of a series with more of them than can be shown
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
        ?bool $pinned = null,
        ?Colour $colour = null,
        ?array $rows = null,
        ?bool $moreFollow = null,
    ) {
        if ($pinned !== null) {
            $this->pinned = $pinned;
        }
        if ($colour !== null) {
            $this->colour = $colour;
        }
        if ($rows !== null) {
            $this->rows = $rows;
        }
        if ($moreFollow !== null) {
            $this->moreFollow = $moreFollow;
        }
    }
}

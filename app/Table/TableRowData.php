<?php

namespace App\Table;

use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;

/** A series, or a single event, as a row: by its first time in the window. */
final readonly class TableRowData
{
    /**
     * @param  ?string  $occurrence  Its first time in the window, of a series
     * @param  list<string>  $categories
     * @param  list<string>  $responsible
     * @param  int  $times  How often it is in the window
     */
    public function __construct(
        public int $id,
        public ?string $occurrence,
        public int $layer,
        public string $calendar,
        public string $title,
        public string $place,
        public array $categories,
        public array $responsible,
        public bool $allDay,
        public string $start,
        public string $end,
        public Status $status,
        public bool $private,
        public bool $repeats,
        public bool $pinned,
        public ?Colour $colour,
        public ?Hold $hold,
        public bool $external,
        public int $times,
        public string $addedBy,
        public string $changedAt,
        public int $version,
    ) {
    }
}

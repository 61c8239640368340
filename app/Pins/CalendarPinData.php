<?php

namespace App\Pins;

use App\Events\EventRecord;
use PinnedRota\Core\Access\Visibility;

/** An event that is pinned to a calendar from elsewhere. */
final readonly class CalendarPinData
{
    /**
     * @param  ?string  $title  Null where it is hidden
     * @param  ?string  $start  The first day; null where it is hidden
     * @param  bool  $shared  Whether whoever pinned it may see something of it still
     */
    public function __construct(
        public int $id,
        public int $event,
        public ?string $title,
        public ?string $start,
        public ?string $by,
        public bool $shared,
    ) {
    }

    public static function of(Pin $pin, EventRecord $head, ?string $by, Visibility $seen): self
    {
        return new self(
            $pin->id, $head->id, $seen === Visibility::Full ? $head->title : null, $seen === Visibility::Hidden ? null : substr($head->starts_local, 0, 10), $by, $seen !== Visibility::Hidden,
        );
    }
}

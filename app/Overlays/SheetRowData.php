<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use Illuminate\Support\Collection;
use PinnedRota\Core\Overlay\Grouping;

/** A row of lanes that are told apart by something else than layers. */
final readonly class SheetRowData
{
    /**
     * @param  ?string  $refusal  Why nothing can be put into it; null where something can
     * @param  string  $key  Empty for what cannot be told apart, * for what is hidden
     */
    public function __construct(
        public string $key,
        public string $name,
        public ?string $calendar,
        public ?string $target,
        public ?string $refusal,
    ) {
    }

    /** @param  Collection<int, AccessibleCalendar>  $calendars  those that the viewer sees, by id */
    public static function of(SheetRow $row, Collection $calendars, bool $readOnly): self
    {
        $calendar = $row->calendarId === null ? null : $calendars[$row->calendarId];
        $mayAdd = $calendar !== null && ! $readOnly && $calendar->mayAdd();

        return new self($row->key, $row->name, $calendar?->calendar->slug, $mayAdd ? $calendar->calendar->slug : null, match (true) {
            $row->key === Grouping::HIDDEN => 'Nothing can be put among what is hidden from you.',
            $calendar !== null && ! $mayAdd => "You may not add to {$row->name}.",
            default => null,
        });
    }
}

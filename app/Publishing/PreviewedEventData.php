<?php

namespace App\Publishing;

use App\Overlays\SheetItemData;

/** An event as a publication would tell it. */
final readonly class PreviewedEventData
{
    /**
     * @param  string  $start  as on the wall of its zone
     * @param  string  $end  exclusive where it takes whole days
     * @param  list<string>  $categories
     * @param  list<string>  $responsible
     */
    public function __construct(public string $title, public string $start, public string $end, public bool $allDay, public string $place, public array $categories, public array $responsible)
    {
    }

    public static function of(SheetItemData $item): self
    {
        return new self($item->title, $item->start, $item->end, $item->allDay, $item->place, $item->categories, $item->responsible);
    }
}

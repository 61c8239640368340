<?php

namespace App\Overlays;

/** A row of lanes that are told apart by something else than layers. */
final readonly class SheetRowData
{
    /**
     * @param  string  $key  Empty for what cannot be told apart, * for what is hidden
     */
    public function __construct(
        public string $key,
        public string $name,
        public ?string $calendar,
        public ?string $target,
    ) {
    }
}

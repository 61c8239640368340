<?php

namespace App\Overlays;

/** What is on in a window. */
final readonly class SheetData
{
    /**
     * @param  list<SheetLayerData>  $layers
     * @param  list<SheetRowData>  $rows  Of lanes that are told apart by something else than layers
     * @param  list<SheetItemData>  $items
     * @param  list<CategoryCountData>  $categories
     * @param  list<ClosedDayData>  $closed
     */
    public function __construct(
        public array $layers,
        public array $rows,
        public array $items,
        public array $categories,
        public array $closed,
    ) {
    }
}

<?php

namespace App\Overlays;

use App\Organisation\TermData;

/** What is on in a window. */
final readonly class SheetData
{
    /**
     * @param  list<SheetLayerData>  $layers
     * @param  list<SheetRowData>  $rows  Of lanes that are told apart by something else than layers
     * @param  list<SheetItemData>  $items
     * @param  list<CategoryCountData>  $categories
     * @param  list<ClosedDayData>  $closed
     * @param  list<SchoolWeekData>  $weeks  Of the window, those that are in a term
     * @param  list<TermData>  $terms  That have a day in the window
     * @param  list<SheetColourData>  $colours  What the colours of events stand for, where that is not layers
     */
    public function __construct(
        public array $layers,
        public array $rows,
        public array $items,
        public array $categories,
        public array $closed,
        public array $weeks,
        public array $terms,
        public array $colours,
    ) {
    }
}

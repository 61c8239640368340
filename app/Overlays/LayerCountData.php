<?php

namespace App\Overlays;

/** What a layer that is being composed takes of the time to come. */
final readonly class LayerCountData
{
    /**
     * @param  ?int  $count  How many times of events; null where the layer is not complete yet
     * @param  ?SheetItemData  $example  The next of them whose title the viewer may read
     */
    public function __construct(
        public ?int $count,
        public ?SheetItemData $example,
    ) {
    }
}

<?php

namespace App\Overlays;

use App\Directory\SubjectData;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Overlay\ColouredBy;

/** An overlay as one viewer has it. */
final readonly class OverlayData
{
    /**
     * @param  'lanes'|'day'|'week'|'month'|'year'|'list'|'table'  $openingView
     * @param  bool  $everyLayer  Whether an event shows in every layer that takes it, instead of in the first
     * @param  bool  $home  Whether the viewer begins with it
     * @param  list<OverlayLayerData>  $layers
     */
    public function __construct(
        public string $slug,
        public string $name,
        public string $openingView,
        public ?OpeningTableData $openingTable,
        public SubjectData $keeper,
        public Level $level,
        public bool $everyLayer,
        public ColouredBy $colouredBy,
        public bool $home,
        public array $layers,
        public int $version,
    ) {
    }
}

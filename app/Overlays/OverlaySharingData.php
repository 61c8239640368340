<?php

namespace App\Overlays;

use App\Access\GrantData;
use App\Directory\SubjectData;

/** Who has which level on an overlay. */
final readonly class OverlaySharingData
{
    /**
     * @param  list<GrantData>  $grants
     */
    public function __construct(
        public SubjectData $keeper,
        public array $grants,
    ) {
    }
}

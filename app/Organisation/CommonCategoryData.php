<?php

namespace App\Organisation;

use PinnedRota\Core\Overlay\Colour;

/** A category that many organisations have, and this one can begin with. */
final readonly class CommonCategoryData
{
    public function __construct(
        public string $name,
        public Colour $colour,
        public bool $closesDay,
    ) {
    }
}

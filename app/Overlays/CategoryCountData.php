<?php

namespace App\Overlays;

/** How many have a category. */
final readonly class CategoryCountData
{
    public function __construct(
        public string $name,
        public int $count,
    ) {
    }
}

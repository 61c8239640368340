<?php

namespace App\Overlays;

/** A day that is closed, and by what. */
final readonly class ClosedDayData
{
    public function __construct(
        public string $date,
        public string $title,
    ) {
    }
}

<?php

namespace App\Overlays;

use PinnedRota\Core\Overlay\Colour;

/** What a colour stands for. */
final readonly class SheetColourData
{
    public function __construct(public string $name, public Colour $colour)
    {
    }
}

<?php

namespace App\Overlays;

/** How full each day of a window is. */
final readonly class RulerData
{
    /**
     * @param  list<int>  $loads
     * @param  list<string>  $closed
     */
    public function __construct(
        public string $from,
        public array $loads,
        public array $closed,
    ) {
    }
}

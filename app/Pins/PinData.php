<?php

namespace App\Pins;

/** A further calendar on which an event shows. */
final readonly class PinData
{
    public function __construct(
        public string $calendar,
        public string $name,
        public ?string $by,
        public bool $mayUnpin,
    ) {
    }
}

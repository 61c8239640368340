<?php

namespace App\Pins;

/** A further calendar on which an event shows. */
final readonly class PinData
{
    /**
     * @param  ?string  $calendar  Null of one that the viewer does not see: whoever may change an event is told of each
     * @param  bool  $joined  Whether whoever pinned it joined it by that
     */
    public function __construct(
        public int $id,
        public ?string $calendar,
        public string $name,
        public ?string $by,
        public bool $mayUnpin,
        public bool $joined,
    ) {
    }
}

<?php

namespace App\Table;

use PinnedRota\Core\Access\Hold;

/** A row with only what is needed to do something with it. */
final readonly class TableKeyData
{
    /** @param  ?string  $occurrence  Its first time in the window, of a series */
    public function __construct(
        public int $id,
        public ?string $occurrence,
        public ?Hold $hold,
        public int $version,
    ) {
    }
}

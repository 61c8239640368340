<?php

namespace App\Table;

use PinnedRota\Core\Access\Hold;

/** A row with only what is needed to do something with it. */
final readonly class TableKeyData
{
    public function __construct(
        public int $id,
        public ?Hold $hold,
        public int $version,
    ) {
    }
}

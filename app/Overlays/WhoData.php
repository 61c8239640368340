<?php

namespace App\Overlays;

use App\Api\LeavesOutNull;
use JsonSerializable;

/** Somebody of whom a condition is. */
final readonly class WhoData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  'me'|'person'|'group'  $kind
     */
    public function __construct(
        public string $kind,
        public ?int $id = null,
        public ?string $name = null,
    ) {
    }
}

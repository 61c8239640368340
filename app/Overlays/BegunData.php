<?php

namespace App\Overlays;

use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Begun;

/** What an event has that is begun in a layer, so that it is seen there. */
final readonly class BegunData
{
    /**
     * @param  list<string>  $categories
     * @param  ?Status  $status  Null where any will do
     * @param  ?bool  $busy  Null where either will do
     */
    public function __construct(
        public array $categories,
        public ?Status $status,
        public ?bool $busy,
    ) {
    }

    public static function of(Begun $begun): self
    {
        return new self($begun->categories, $begun->status, $begun->busy);
    }
}

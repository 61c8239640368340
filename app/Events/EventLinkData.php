<?php

namespace App\Events;

use PinnedRota\Core\Events\EventLink;

/** An address that came with an event. */
final readonly class EventLinkData
{
    /** @param  'conference'|'image'|'document'  $kind */
    public function __construct(
        public string $kind,
        public string $address,
        public string $label,
    ) {
    }

    public static function of(EventLink $link): self
    {
        return new self($link->kind, $link->address, $link->label);
    }
}
